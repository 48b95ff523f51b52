import { Body, Controller, Get, HttpCode, Inject, Param, Post } from '@nestjs/common';
import { ApiNotFoundResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import type { LogEntry } from '@rough-bight/core/log';
import { Problem } from '../errors/problem.js';
import { LogEntriesDto } from './log.dto.js';
import { LogService } from './log.service.js';

@ApiTags('log')
@ApiNotFoundResponse({ type: Problem })
@Controller('api/camps/:campId/log')
export class LogController {
  constructor(@Inject(LogService) private readonly log: LogService) {}

  @Get()
  all(@Param('campId') campId: string): Promise<LogEntry[]> {
    return this.log.ofCamp(campId);
  }

  /** Takes what was written, once each, however often it is sent. */
  @Post()
  @HttpCode(200)
  @ApiUnprocessableEntityResponse({ type: Problem })
  async take(@Param('campId') campId: string, @Body() { entries }: LogEntriesDto): Promise<{ readonly added: number }> {
    return { added: await this.log.take(campId, entries) };
  }
}
