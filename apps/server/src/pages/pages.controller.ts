import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  Post,
  Req,
  UploadedFiles,
  UseGuards,
  UseInterceptors,
} from '@nestjs/common';
import { FilesInterceptor } from '@nestjs/platform-express';
import { ApiBody, ApiConsumes, ApiTags } from '@nestjs/swagger';
import { fromAddressSchema, fromPasteSchema, fromUploadSchema, pageSchema, pathsSchema } from '@retoque/contract';
import type { Request } from 'express';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { storable } from '../database/storable.js';
import { goneSignal } from '../http/gone.js';
import { boundedStorage } from '../http/bounded-storage.js';
import { IdDto } from '../http/id.js';
import { problem } from '../http/problem.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { LIMITS } from './import/limits.js';
import { PagesService } from './pages.service.js';

class PageDto extends createZodDto(pageSchema) {}
class FromAddressDto extends createZodDto(fromAddressSchema) {}
class FromPasteDto extends createZodDto(fromPasteSchema) {}
class FromUploadDto extends createZodDto(fromUploadSchema) {}

@ApiTags('pages')
@Controller('pages')
@UseGuards(OwnerGuard)
export class PagesController {
  constructor(private readonly pages: PagesService) {}

  @Post('from-address')
  @ZodResponse({ status: 201, type: PageDto })
  fromAddress(@Owned() scope: OwnerScope, @Body() body: FromAddressDto, @Req() request: Request) {
    return this.pages.bringFromAddress(scope, body.site, body.address, goneSignal(request));
  }

  @Post('from-paste')
  @ZodResponse({ status: 201, type: PageDto })
  fromPaste(@Owned() scope: OwnerScope, @Body() body: FromPasteDto) {
    return this.pages.bringFromPaste(scope, body.site, body.name, body.html, body.css);
  }

  @Post('from-upload')
  @ApiConsumes('multipart/form-data')
  @ApiBody({
    schema: {
      type: 'object',
      properties: {
        files: { type: 'array', items: { type: 'string', format: 'binary' } },
        paths: { type: 'string', description: 'JSON array: the place of each file in its folder, in order' },
        siteId: { type: 'string', format: 'uuid' },
        siteName: { type: 'string' },
        page: { type: 'string', description: 'The path of the page, where there are several' },
      },
    },
  })
  @UseInterceptors(
    FilesInterceptor('files', LIMITS.files, {
      storage: boundedStorage(LIMITS.totalBytes, 'Together they have more than 20 MB.'),
      limits: { fileSize: LIMITS.totalBytes, fieldSize: 300_000, fields: 10 },
    }),
  )
  @ZodResponse({ status: 201, type: PageDto })
  fromUpload(
    @Owned() scope: OwnerScope,
    @Body() body: FromUploadDto,
    @UploadedFiles() files: Express.Multer.File[] | undefined,
  ) {
    const choice = body.siteId ? { id: body.siteId } : body.siteName ? { name: body.siteName } : undefined;
    if (!choice)
      throw problem('invalid', 400, 'Say which site the page belongs to', 'Choose a site, or name a new one.');
    const paths = readPaths(body.paths);
    return this.pages.bringFromUpload(
      scope,
      choice,
      (files ?? []).map((file, i) => ({
        // Multer reads names as Latin-1; the paths field carries them whole.
        path: cleanPath(paths[i] ?? storable(file.originalname)),
        contentType: file.mimetype,
        bytes: file.buffer,
      })),
      body.page === undefined ? undefined : cleanPath(body.page),
    );
  }

  @Get(':id')
  @ZodResponse({ type: PageDto })
  get(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.pages.get(scope, id);
  }

  @Post(':id/refresh')
  @ZodResponse({ status: 200, type: PageDto })
  refresh(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Req() request: Request) {
    return this.pages.refresh(scope, id, goneSignal(request));
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.pages.remove(scope, id);
  }

  @Post(':id/restore')
  @ZodResponse({ status: 200, type: PageDto })
  restore(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.pages.restore(scope, id);
  }
}

/** @throws ProblemException 400 for what is no list of paths */
function readPaths(json: string): string[] {
  try {
    return pathsSchema.parse(JSON.parse(json));
  } catch {
    throw problem('invalid', 400, 'Something in the request needs changing', 'paths: Give a JSON array of file paths.');
  }
}

const cleanPath = (path: string) =>
  path
    .replace(/\\/g, '/')
    .split('/')
    .filter((step) => step && step !== '.' && step !== '..')
    .join('/');
