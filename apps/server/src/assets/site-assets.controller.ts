import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  Post,
  Res,
  UploadedFiles,
  UseGuards,
  UseInterceptors,
} from '@nestjs/common';
import { FilesInterceptor } from '@nestjs/platform-express';
import { ApiBody, ApiConsumes, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import {
  addShippedFontSchema,
  recodedSchema,
  recodeSchema,
  shippedFontListSchema,
  siteAssetListSchema,
  siteAssetSchema,
  uploadedAssetsSchema,
} from '@retoque/contract';
import type { Response } from 'express';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import { z } from 'zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { IdDto } from '../http/id.js';
import { notFound } from '../http/problem.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { boundedStorage } from '../http/bounded-storage.js';
import { ASSET_LIMITS, megabytes } from '../storage/asset-limits.js';
import { shippedFontFile, shippedFonts } from './shipped-fonts.js';
import { SiteAssetsService } from './site-assets.service.js';

class SiteAssetDto extends createZodDto(siteAssetSchema) {}
class SiteAssetListDto extends createZodDto(siteAssetListSchema) {}
class UploadedAssetsDto extends createZodDto(uploadedAssetsSchema) {}
class ShippedFontListDto extends createZodDto(shippedFontListSchema) {}
class AddShippedFontDto extends createZodDto(addShippedFontSchema) {}
class RecodeDto extends createZodDto(recodeSchema) {}
class RecodedDto extends createZodDto(recodedSchema) {}
class AssetPathDto extends createZodDto(z.object({ id: z.uuid(), assetId: z.uuid() })) {}

/** The files of a site that looks may use: pictures and fonts. */
@ApiTags('site assets')
@Controller()
@UseGuards(OwnerGuard)
export class SiteAssetsController {
  constructor(private readonly assets: SiteAssetsService) {}

  @Get('sites/:id/assets')
  @ZodResponse({ type: SiteAssetListDto })
  async list(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return { assets: await this.assets.list(scope, id) };
  }

  @Post('sites/:id/assets')
  @ApiConsumes('multipart/form-data')
  @ApiBody({
    schema: {
      type: 'object',
      properties: { files: { type: 'array', items: { type: 'string', format: 'binary' } } },
    },
  })
  @UseInterceptors(
    FilesInterceptor('files', ASSET_LIMITS.files, {
      storage: boundedStorage(
        ASSET_LIMITS.requestBytes,
        `Bring up to ${megabytes(ASSET_LIMITS.requestBytes)} at a time.`,
      ),
      limits: { fileSize: ASSET_LIMITS.fileBytes * 2, fields: 10 },
    }),
  )
  @ZodResponse({ status: 201, type: UploadedAssetsDto })
  upload(
    @Owned() scope: OwnerScope,
    @Param() { id }: IdDto,
    @UploadedFiles() files: Express.Multer.File[] | undefined,
  ) {
    // Multer reads names as Latin-1.
    const named = (files ?? []).map((file) => ({
      name: Buffer.from(file.originalname, 'latin1').toString('utf8'),
      bytes: file.buffer,
    }));
    return this.assets.upload(scope, id, named);
  }

  @Post('sites/:id/assets/shipped-font')
  @ZodResponse({ status: 201, type: SiteAssetDto })
  addShippedFont(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: AddShippedFontDto) {
    return this.assets.addShippedFont(scope, id, body.id);
  }

  @Post('sites/:id/assets/recode')
  @ZodResponse({ status: 200, type: RecodedDto })
  recode(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: RecodeDto) {
    return this.assets.recode(scope, id, body);
  }

  @Delete('sites/:id/assets/:assetId')
  @HttpCode(204)
  remove(@Owned() scope: OwnerScope, @Param() { id, assetId }: AssetPathDto) {
    return this.assets.remove(scope, id, assetId);
  }

  @Post('sites/:id/assets/:assetId/restore')
  @ZodResponse({ status: 200, type: SiteAssetDto })
  restore(@Owned() scope: OwnerScope, @Param() { id, assetId }: AssetPathDto) {
    return this.assets.restore(scope, id, assetId);
  }

  @Get('fonts')
  @ZodResponse({ type: ShippedFontListDto })
  async fonts() {
    return { fonts: await shippedFonts() };
  }

  @Get('fonts/:name/file')
  @ApiOkResponse({ description: 'A font that comes with Retoque, as WOFF2' })
  async fontFile(@Param('name') name: string, @Res() response: Response): Promise<void> {
    const bytes = await shippedFontFile(name);
    if (!bytes) throw notFound('The font');
    response
      .status(200)
      .set({
        'Content-Type': 'font/woff2',
        'X-Content-Type-Options': 'nosniff',
        'Cache-Control': 'public, max-age=86400',
      })
      .end(bytes);
  }
}
