import { Body, Controller, Delete, HttpCode, Param, Post, Put, UseGuards } from '@nestjs/common';
import { ApiConflictResponse, ApiTags } from '@nestjs/swagger';
import { addFinishSchema, finishSchema, saveFinishSchema } from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { FinishesService } from './finishes.service.js';

class FinishDto extends createZodDto(finishSchema) {}
class AddFinishDto extends createZodDto(addFinishSchema) {}
class SaveFinishDto extends createZodDto(saveFinishSchema) {}

/** They come with their site; here they are made and changed. */
@ApiTags('finishes')
@Controller()
@UseGuards(OwnerGuard)
export class FinishesController {
  constructor(private readonly finishes: FinishesService) {}

  @Post('sites/:id/finishes')
  @ZodResponse({ status: 201, type: FinishDto })
  add(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: AddFinishDto) {
    return this.finishes.add(scope, id, body);
  }

  @Put('finishes/:id')
  @ZodResponse({ type: FinishDto })
  @ApiConflictResponse({ description: 'Problem details with the newer finish as "current"; nothing was saved' })
  save(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: SaveFinishDto) {
    return this.finishes.save(scope, id, body);
  }

  @Delete('finishes/:id')
  @HttpCode(204)
  remove(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.finishes.remove(scope, id);
  }

  @Post('finishes/:id/restore')
  @ZodResponse({ status: 200, type: FinishDto })
  restore(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.finishes.restore(scope, id);
  }
}
