import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiConflictResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import type { KitCord } from '@rough-bight/core/rig';
import { Problem } from '../errors/problem.js';
import { MadeAs } from '../web/made-as.js';
import { KitCordDto } from './kit.dto.js';
import { KitService } from './kit.service.js';

@ApiTags('kit')
@ApiUnprocessableEntityResponse({ type: Problem })
@Controller('api/camps/:campId/kit')
export class KitController {
  constructor(@Inject(KitService) private readonly kit: KitService) {}

  @Get()
  all(@Param('campId') campId: string): Promise<KitCord[]> {
    return this.kit.ofCamp(campId);
  }

  @Post()
  add(@Param('campId') campId: string, @Body() body: KitCordDto, @MadeAs() id?: string): Promise<KitCord> {
    return this.kit.add(campId, body, id);
  }

  @Put(':id')
  change(@Param('campId') campId: string, @Param('id') id: string, @Body() body: KitCordDto): Promise<KitCord> {
    return this.kit.change(campId, id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiConflictResponse({ type: Problem, description: 'A rig uses it' })
  remove(@Param('campId') campId: string, @Param('id') id: string): Promise<void> {
    return this.kit.remove(campId, id);
  }

  @Post(':id/back')
  putBack(@Param('campId') campId: string, @Param('id') id: string): Promise<KitCord> {
    return this.kit.putBack(campId, id);
  }
}
