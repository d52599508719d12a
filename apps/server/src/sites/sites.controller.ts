import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, UseGuards } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { changeSiteSchema, siteListSchema, siteSchema } from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { SitesService } from './sites.service.js';

class SiteDto extends createZodDto(siteSchema) {}
class SiteListDto extends createZodDto(siteListSchema) {}
class ChangeSiteDto extends createZodDto(changeSiteSchema) {}

@ApiTags('sites')
@Controller('sites')
@UseGuards(OwnerGuard)
export class SitesController {
  constructor(private readonly sites: SitesService) {}

  @Get()
  @ZodResponse({ type: SiteListDto })
  async list(@Owned() scope: OwnerScope) {
    return { sites: await this.sites.list(scope) };
  }

  @Get(':id')
  @ZodResponse({ type: SiteDto })
  get(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.sites.get(scope, id);
  }

  @Patch(':id')
  @ZodResponse({ type: SiteDto })
  change(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: ChangeSiteDto) {
    return this.sites.change(scope, id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.sites.remove(scope, id);
  }

  @Post(':id/restore')
  @ZodResponse({ status: 200, type: SiteDto })
  restore(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.sites.restore(scope, id);
  }
}
