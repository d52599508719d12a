import { Controller, Get, Headers, Param, Res, UseGuards } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import type { OwnerScope } from '../database/owner-scope.js';
import { notFound, problem } from '../http/problem.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { servedType } from './asset-type.js';
import { getBlob } from './blob-store.js';
import { PixelFields } from './pixel-fields.js';

/** Nothing in an owner's file may run or load, even when it is opened by itself. */
const ASSET_POLICY = "sandbox; default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:";

const tooCostly = () =>
  problem(
    'tooSlow',
    422,
    'That picture takes too long or too much memory to draw',
    'It is left out of what is shown here, and what lies over it is not measured.',
  );

@ApiTags('assets')
@Controller('assets')
@UseGuards(OwnerGuard)
export class AssetsController {
  constructor(private readonly fields: PixelFields) {}

  @Get(':hash')
  @ApiOkResponse({ description: "An owner's picture or font, under a sandbox policy of its own" })
  async asset(
    @Owned() scope: OwnerScope,
    @Param('hash') hash: string,
    @Headers('sec-fetch-dest') wantedFor: string | undefined,
    @Res() response: Response,
  ): Promise<void> {
    const blob = /^[0-9a-f]{64}$/.test(hash) ? await getBlob(scope, hash) : undefined;
    if (!blob) throw notFound('The file');
    // A drawing that is too much for the server would be so for the browser, and hold up the tab.
    if (wantedFor === 'image' && blob.contentType.startsWith('image/svg')) {
      const field = await this.fields.get(scope, hash);
      if (field && 'none' in field && field.none === 'costly') throw tooCostly();
    }
    response
      .status(200)
      .set({
        'Content-Type': servedType(blob.contentType),
        'Content-Length': String(blob.size),
        'X-Content-Type-Options': 'nosniff',
        'Content-Security-Policy': ASSET_POLICY,
        'Cross-Origin-Resource-Policy': 'same-origin',
        'Cache-Control': 'private, max-age=31536000, immutable',
      })
      .end(blob.bytes);
  }

  @Get(':hash/pixels')
  @ApiOkResponse({
    description:
      'A picture decoded to sRGB, as a packed pixel field; 204 for one that does not load, 422 for one that costs too much to draw',
  })
  async pixels(@Owned() scope: OwnerScope, @Param('hash') hash: string, @Res() response: Response): Promise<void> {
    const field = /^[0-9a-f]{64}$/.test(hash) ? await this.fields.get(scope, hash) : undefined;
    if (field === undefined) throw notFound('The file');
    response.set({
      'X-Content-Type-Options': 'nosniff',
      'Cross-Origin-Resource-Policy': 'same-origin',
      'Cache-Control': 'private, max-age=31536000, immutable',
    });
    if ('none' in field) {
      if (field.none === 'costly') throw tooCostly();
      response.status(204).end();
      return;
    }
    response
      .status(200)
      .set({ 'Content-Type': 'application/octet-stream', 'Content-Encoding': 'gzip' })
      .end(field.bytes);
  }
}
