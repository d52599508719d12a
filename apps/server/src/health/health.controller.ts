import { Controller, Get, Res } from '@nestjs/common';
import { ApiOkResponse, ApiServiceUnavailableResponse, ApiTags } from '@nestjs/swagger';
import { healthSchema } from '@retoque/contract';
import type { Response } from 'express';
import { createZodDto } from 'nestjs-zod';
import { Database } from '../database/database.module.js';

class HealthDto extends createZodDto(healthSchema) {}

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly database: Database) {}

  @Get()
  @ApiOkResponse({ type: HealthDto.Output })
  @ApiServiceUnavailableResponse({ type: HealthDto.Output, description: 'Names what is down' })
  async health(@Res() response: Response): Promise<void> {
    try {
      await this.database.ping();
      response.status(200).json({ status: 'ok', database: 'ok' });
    } catch {
      response.status(503).json({ status: 'down', database: 'down', down: ['database'] });
    }
  }
}
