import { Body, Controller, Get, Param, Put, Query, Req, UseGuards } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import {
  geometryListSchema,
  looksShownSchema,
  pageLedgerSchema,
  pageWaysSchema,
  putGeometrySchema,
} from '@retoque/contract';
import { VIEWPORTS } from '@retoque/core';
import type { Request } from 'express';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import { z } from 'zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { goneSignal } from '../http/gone.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { GeometryService } from './geometry.service.js';
import { LedgerService } from './ledger.service.js';

class PutGeometryDto extends createZodDto(putGeometrySchema) {}
class GeometryListDto extends createZodDto(geometryListSchema) {}
class PageLedgerDto extends createZodDto(pageLedgerSchema) {}
const ledgerQuery = z.object({
  width: z.coerce.number().int('Give whole pixels.').min(200).max(8000).default(1280),
  height: z.coerce
    .number()
    .int('Give whole pixels.')
    .min(200)
    .max(8000)
    .optional()
    .describe('In CSS pixels; that of a screen so wide when absent'),
  level: z.enum(['AA', 'AAA']).default('AA'),
  looks: looksShownSchema.default('worn'),
});
class LedgerQueryDto extends createZodDto(ledgerQuery) {}
class WaysQueryDto extends createZodDto(ledgerQuery.extend({ each: z.enum(['true', 'false']).default('false') })) {}
class PageWaysDto extends createZodDto(pageWaysSchema) {}

/** What is measured at a width that the application uses is measured at its height. */
const usualHeight = (width: number): number =>
  Object.values(VIEWPORTS).find((viewport) => viewport.width === width)?.height ?? VIEWPORTS.wide.height;

/** Where things stand on a page, and all that is asked of it. */
@ApiTags('pages')
@Controller('pages/:id')
@UseGuards(OwnerGuard)
export class MeasuringController {
  constructor(
    private readonly geometry: GeometryService,
    private readonly ledger: LedgerService,
  ) {}

  @Get('geometry')
  @ZodResponse({ type: GeometryListDto })
  list(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.geometry.list(scope, id);
  }

  @Put('geometry')
  @ZodResponse({ type: GeometryListDto })
  put(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() { edition, measurements }: PutGeometryDto) {
    return this.geometry.put(scope, id, edition, measurements);
  }

  @Get('checks')
  @ZodResponse({ type: PageLedgerDto })
  async checks(
    @Owned() scope: OwnerScope,
    @Param() { id }: IdDto,
    @Query() { width, height, level, looks }: LedgerQueryDto,
    @Req() request: Request,
  ) {
    const viewport = { width, height: height ?? usualHeight(width) };
    const checks = await this.ledger.check(scope, id, { ...viewport, level, looks }, goneSignal(request));
    return { looks, viewport, checks };
  }

  @Get('remedies')
  @ZodResponse({ type: PageWaysDto, description: 'Suggested fixes of what falls short in the components of the page' })
  async remedies(
    @Owned() scope: OwnerScope,
    @Param() { id }: IdDto,
    @Query() { width, height, level, looks, each }: WaysQueryDto,
    @Req() request: Request,
  ) {
    const viewport = { width, height: height ?? usualHeight(width) };
    const signal = goneSignal(request);
    const asked = { ...viewport, level, looks };
    return { looks, viewport, components: await this.ledger.ways(scope, id, asked, each === 'true', signal) };
  }
}
