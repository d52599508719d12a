import { Body, Controller, Delete, Get, HttpCode, Param, Patch, Post, Put, Query, UseGuards } from '@nestjs/common';
import { ApiConflictResponse, ApiTags } from '@nestjs/swagger';
import {
  addTrialSchema,
  renameTrialSchema,
  restoreTrialSchema,
  changeComponentSchema,
  componentListSchema,
  componentSchema,
  lookRevisionSchema,
  lookHistorySchema,
  lookRevisionsSchema,
  openComponentSchema,
  savedLookSchema,
  savedLooksSchema,
  saveLookSchema,
  saveLooksSchema,
  siteLooksSchema,
} from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import { z } from 'zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { ComponentsService } from './components.service.js';

class ComponentDto extends createZodDto(componentSchema) {}
class ComponentListDto extends createZodDto(componentListSchema) {}
class OpenComponentDto extends createZodDto(openComponentSchema) {}
class ChangeComponentDto extends createZodDto(changeComponentSchema) {}
class AddTrialDto extends createZodDto(addTrialSchema) {}
class RenameTrialDto extends createZodDto(renameTrialSchema) {}
class RestoreTrialDto extends createZodDto(restoreTrialSchema) {}
class SaveLookDto extends createZodDto(saveLookSchema) {}
class SavedLookDto extends createZodDto(savedLookSchema) {}
class SaveLooksDto extends createZodDto(saveLooksSchema) {}
class SavedLooksDto extends createZodDto(savedLooksSchema) {}
class SiteLooksDto extends createZodDto(siteLooksSchema) {}
class LookRevisionDto extends createZodDto(lookRevisionSchema) {}
class LookHistoryDto extends createZodDto(lookHistorySchema) {}
class LookRevisionsDto extends createZodDto(lookRevisionsSchema) {}
const revisionNumber = z.coerce.number().int('Give a whole number.').min(0).max(2_000_000_000);
class BeforeDto extends createZodDto(z.object({ before: revisionNumber.default(2_000_000_000) })) {}
class RevisionPathDto extends createZodDto(z.object({ id: z.uuid(), trialId: z.uuid(), revision: revisionNumber })) {}
class TrialPathDto extends createZodDto(z.object({ id: z.uuid(), trialId: z.uuid() })) {}

@ApiTags('components')
@Controller()
@UseGuards(OwnerGuard)
export class ComponentsController {
  constructor(private readonly components: ComponentsService) {}

  @Get('sites/:id/components')
  @ZodResponse({ type: ComponentListDto })
  async list(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return { components: await this.components.list(scope, id) };
  }

  @Get('sites/:id/looks')
  @ZodResponse({ type: SiteLooksDto, description: 'All looks that the site wears, as the command reads them' })
  worn(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.components.worn(scope, id);
  }

  @Put('sites/:id/looks')
  @ZodResponse({ type: SavedLooksDto })
  @ApiConflictResponse({ description: 'Problem details with the newer version as "current"; nothing was saved' })
  async saveLooks(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() { looks }: SaveLooksDto) {
    return { saved: await this.components.saveLooks(scope, id, looks) };
  }

  @Post('components')
  @ZodResponse({ status: 200, type: ComponentDto, description: 'The component, made when it was not kept yet' })
  open(@Owned() scope: OwnerScope, @Body() body: OpenComponentDto) {
    return this.components.open(scope, body);
  }

  @Get('components/:id')
  @ZodResponse({ type: ComponentDto })
  get(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.components.get(scope, id);
  }

  @Patch('components/:id')
  @ZodResponse({ type: ComponentDto })
  change(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: ChangeComponentDto) {
    return this.components.change(scope, id, body);
  }

  @Delete('components/:id')
  @HttpCode(204)
  remove(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.components.remove(scope, id);
  }

  @Post('components/:id/restore')
  @ZodResponse({ status: 200, type: ComponentDto })
  restore(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.components.restore(scope, id);
  }

  @Post('components/:id/trials')
  @ZodResponse({ status: 201, type: ComponentDto })
  addTrial(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: AddTrialDto) {
    return this.components.addTrial(scope, id, body.look, body.makeCurrent);
  }

  @Patch('components/:id/trials/:trialId')
  @ZodResponse({ type: ComponentDto })
  renameTrial(@Owned() scope: OwnerScope, @Param() { id, trialId }: TrialPathDto, @Body() { name }: RenameTrialDto) {
    return this.components.renameTrial(scope, id, trialId, name);
  }

  @Delete('components/:id/trials/:trialId')
  @ZodResponse({ type: ComponentDto, description: 'The component with the version that is in hand now' })
  removeTrial(@Owned() scope: OwnerScope, @Param() { id, trialId }: TrialPathDto) {
    return this.components.removeTrial(scope, id, trialId);
  }

  @Post('components/:id/trials/:trialId/restore')
  @ZodResponse({ status: 200, type: ComponentDto })
  restoreTrial(@Owned() scope: OwnerScope, @Param() { id, trialId }: TrialPathDto, @Body() body: RestoreTrialDto) {
    return this.components.restoreTrial(scope, id, trialId, body.makeCurrent);
  }

  @Get('components/:id/trials/:trialId/revisions')
  @ZodResponse({ type: LookRevisionsDto, description: 'Every look that was acknowledged, the newest first' })
  revisions(@Owned() scope: OwnerScope, @Param() { id, trialId }: TrialPathDto, @Query() { before }: BeforeDto) {
    return this.components.revisions(scope, id, trialId, before);
  }

  @Get('components/:id/trials/:trialId/history')
  @ZodResponse({ type: LookHistoryDto, description: 'The last looks that were acknowledged, the newest first' })
  history(@Owned() scope: OwnerScope, @Param() { id, trialId }: TrialPathDto, @Query() { before }: BeforeDto) {
    return this.components.history(scope, id, trialId, before);
  }

  @Get('components/:id/trials/:trialId/revisions/:revision')
  @ZodResponse({ type: LookRevisionDto })
  revision(@Owned() scope: OwnerScope, @Param() { id, trialId, revision }: RevisionPathDto) {
    return this.components.revision(scope, id, trialId, revision);
  }

  @Put('components/:id/trials/:trialId/look')
  @ZodResponse({ type: SavedLookDto })
  @ApiConflictResponse({ description: 'Problem details with the newer version as "current"' })
  saveLook(@Owned() scope: OwnerScope, @Param() { id, trialId }: TrialPathDto, @Body() body: SaveLookDto) {
    return this.components.saveLook(scope, id, trialId, body);
  }
}
