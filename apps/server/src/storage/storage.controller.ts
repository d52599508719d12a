import { Controller, Get, Post, UseGuards } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { storageSchema } from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { StorageService } from './storage.service.js';

class StorageDto extends createZodDto(storageSchema) {}

@ApiTags('storage')
@Controller('storage')
@UseGuards(OwnerGuard)
export class StorageController {
  constructor(private readonly storage: StorageService) {}

  @Get()
  @ZodResponse({ type: StorageDto })
  describe(@Owned() scope: OwnerScope) {
    return this.storage.describe(scope);
  }

  @Post('purge')
  @ZodResponse({ status: 200, type: StorageDto, description: 'Removed sites and pages are deleted for good' })
  purge(@Owned() scope: OwnerScope) {
    return this.storage.purge(scope);
  }
}
