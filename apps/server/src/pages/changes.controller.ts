import { Body, Controller, Delete, Param, Post, UseGuards } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { addChangeSchema, pageSchema } from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import { z } from 'zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { PagesService } from './pages.service.js';

class PageDto extends createZodDto(pageSchema) {}
class AddChangeDto extends createZodDto(addChangeSchema) {}
class ChangePathDto extends createZodDto(z.object({ id: z.uuid(), changeId: z.uuid() })) {}

/** Markup that is added to a page; each answer is the page as it then is. */
@ApiTags('pages')
@Controller('pages/:id/changes')
@UseGuards(OwnerGuard)
export class ChangesController {
  constructor(private readonly pages: PagesService) {}

  @Post()
  @ZodResponse({ status: 201, type: PageDto })
  add(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: AddChangeDto) {
    return this.pages.addChange(scope, id, body);
  }

  @Delete(':changeId')
  @ZodResponse({ status: 200, type: PageDto })
  remove(@Owned() scope: OwnerScope, @Param() { id, changeId }: ChangePathDto) {
    return this.pages.removeChange(scope, id, changeId);
  }

  @Post(':changeId/restore')
  @ZodResponse({ status: 200, type: PageDto })
  restore(@Owned() scope: OwnerScope, @Param() { id, changeId }: ChangePathDto) {
    return this.pages.restoreChange(scope, id, changeId);
  }
}
