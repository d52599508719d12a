import { Controller, Get, Query } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { behaviourScriptSchema, scriptQuerySchema } from '@retoque/contract';
import { createZodDto, ZodResponse } from 'nestjs-zod';
import { ScriptsService } from './scripts.service.js';

class ScriptQueryDto extends createZodDto(scriptQuerySchema) {}
class BehaviourScriptDto extends createZodDto(behaviourScriptSchema) {}

@ApiTags('handovers')
@Controller('behaviours')
export class ScriptsController {
  constructor(private readonly scripts: ScriptsService) {}

  @Get('script')
  @ZodResponse({ type: BehaviourScriptDto, description: 'One ES module for all that are named' })
  script(@Query() { names }: ScriptQueryDto) {
    return this.scripts.of(names.split(','));
  }
}
