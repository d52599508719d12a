import { Body, Controller, Get, Param, Put, UseGuards } from '@nestjs/common';
import { ApiConflictResponse, ApiTags } from '@nestjs/swagger';
import { paletteSchema, savePaletteSchema } from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { PalettesService } from './palettes.service.js';

class PaletteDto extends createZodDto(paletteSchema) {}
class SavePaletteDto extends createZodDto(savePaletteSchema) {}

@ApiTags('palettes')
@Controller('sites/:id/palette')
@UseGuards(OwnerGuard)
export class PalettesController {
  constructor(private readonly palettes: PalettesService) {}

  @Get()
  @ZodResponse({ type: PaletteDto })
  get(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.palettes.get(scope, id);
  }

  @Put()
  @ZodResponse({ type: PaletteDto })
  @ApiConflictResponse({ description: 'Problem details with the newer palette as "current"; nothing was saved' })
  save(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: SavePaletteDto) {
    return this.palettes.save(scope, id, body);
  }
}
