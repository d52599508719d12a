import { Body, Controller, HttpCode, Param, Post, Req, Res, UseGuards } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { handOverSchema } from '@retoque/contract';
import type { Request, Response } from 'express';
import { createZodDto } from 'nestjs-zod';
import type { OwnerScope } from '../database/owner-scope.js';
import { goneSignal } from '../http/gone.js';
import { IdDto } from '../http/id.js';
import { Owned, OwnerGuard } from '../owners/owner.guard.js';
import { HandoversService } from './handovers.service.js';

class HandOverDto extends createZodDto(handOverSchema) {}

@ApiTags('handovers')
@Controller('sites/:id/handovers')
@UseGuards(OwnerGuard)
export class HandoversController {
  constructor(private readonly handovers: HandoversService) {}

  @Post()
  @HttpCode(200)
  @ApiOkResponse({ description: 'What the host gives back; of `folder` a zip of all files' })
  async deliver(
    @Owned() scope: OwnerScope,
    @Param() { id }: IdDto,
    @Body() body: HandOverDto,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    const { name, contentType, bytes } = await this.handovers.deliver(scope, id, body, goneSignal(request));
    response
      .set({
        'Content-Type': contentType,
        'Content-Disposition': `attachment; filename="${name}"`,
        'X-Content-Type-Options': 'nosniff',
        'Cache-Control': 'no-store',
      })
      .end(Buffer.from(bytes));
  }
}
