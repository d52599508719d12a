import { Body, Controller, Get, Param, Post, Query, UseGuards } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { jobListSchema, jobResultsSchema, jobSchema, startSiteChecksSchema } from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import { z } from 'zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { JobsService } from './jobs.service.js';

class JobDto extends createZodDto(jobSchema) {}
class JobListDto extends createZodDto(jobListSchema) {}
class JobResultsDto extends createZodDto(jobResultsSchema) {}
class StartSiteChecksDto extends createZodDto(startSiteChecksSchema) {}
class FromDto extends createZodDto(z.object({ from: z.coerce.number().int().min(0).max(1_000_000).default(0) })) {}

@ApiTags('jobs')
@Controller()
@UseGuards(OwnerGuard)
export class JobsController {
  constructor(private readonly jobs: JobsService) {}

  @Post('sites/:id/checks')
  @ZodResponse({ status: 202, type: JobDto, description: 'Begins to work out all checks of the site' })
  start(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Body() body: StartSiteChecksDto) {
    return this.jobs.startSiteChecks(scope, id, body);
  }

  @Get('sites/:id/jobs')
  @ZodResponse({ type: JobListDto })
  async list(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return { jobs: await this.jobs.list(scope, id) };
  }

  @Get('jobs/:id')
  @ZodResponse({ type: JobDto })
  get(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.jobs.get(scope, id);
  }

  @Get('jobs/:id/results')
  @ZodResponse({ type: JobResultsDto })
  results(@Owned() scope: OwnerScope, @Param() { id }: IdDto, @Query() { from }: FromDto) {
    return this.jobs.results(scope, id, from);
  }

  @Post('jobs/:id/cancel')
  @ZodResponse({ status: 200, type: JobDto })
  cancel(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.jobs.cancel(scope, id);
  }

  @Post('jobs/:id/resume')
  @ZodResponse({ status: 200, type: JobDto })
  resume(@Owned() scope: OwnerScope, @Param() { id }: IdDto) {
    return this.jobs.resume(scope, id);
  }
}
