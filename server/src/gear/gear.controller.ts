import { Body, Controller, Delete, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiConflictResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import type { KitPegs } from '@rough-bight/core/rig';
import type { KitRoof } from '@rough-bight/core/roof';
import { Problem } from '../errors/problem.js';
import { GearService } from './gear.service.js';

@ApiTags('kit')
@ApiUnprocessableEntityResponse({ type: Problem })
@Controller('api/camps/:campId/roofs')
export class RoofController {
  constructor(@Inject(GearService) private readonly gear: GearService) {}

  @Post()
  add(@Param('campId') campId: string, @Body() body: object): Promise<KitRoof> {
    return this.gear.add(campId, 'roof', body);
  }

  @Put(':id')
  change(@Param('campId') campId: string, @Param('id') id: string, @Body() body: object): Promise<KitRoof> {
    return this.gear.change(campId, 'roof', id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiConflictResponse({ type: Problem, description: 'A rig uses it' })
  remove(@Param('campId') campId: string, @Param('id') id: string): Promise<void> {
    return this.gear.remove(campId, 'roof', id);
  }
}

@ApiTags('kit')
@ApiUnprocessableEntityResponse({ type: Problem })
@Controller('api/camps/:campId/pegs')
export class PegController {
  constructor(@Inject(GearService) private readonly gear: GearService) {}

  @Post()
  add(@Param('campId') campId: string, @Body() body: object): Promise<KitPegs> {
    return this.gear.add(campId, 'pegs', body);
  }

  @Put(':id')
  change(@Param('campId') campId: string, @Param('id') id: string, @Body() body: object): Promise<KitPegs> {
    return this.gear.change(campId, 'pegs', id, body);
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiConflictResponse({ type: Problem, description: 'A rig uses it' })
  remove(@Param('campId') campId: string, @Param('id') id: string): Promise<void> {
    return this.gear.remove(campId, 'pegs', id);
  }
}
