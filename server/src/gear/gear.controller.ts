import { Body, Controller, Delete, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import type { Type } from '@nestjs/common';
import { ApiConflictResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import { GEAR_LISTS } from '@rough-bight/core/rig';
import type { GearList } from '@rough-bight/core/rig';
import { Problem } from '../errors/problem.js';
import { MadeAs } from '../web/made-as.js';
import { GearService } from './gear.service.js';
import type { GearThing } from './gear.service.js';

/** The addresses of one list of the kit. */
function gearController(list: GearList): Type {
  @ApiTags('kit')
  @ApiUnprocessableEntityResponse({ type: Problem })
  @Controller(`api/camps/:campId/${list}`)
  class GearController {
    constructor(@Inject(GearService) private readonly gear: GearService) {}

    @Post()
    add(@Param('campId') campId: string, @Body() body: object, @MadeAs() id?: string): Promise<GearThing> {
      return this.gear.add(campId, list, body, id);
    }

    @Put(':id')
    change(@Param('campId') campId: string, @Param('id') id: string, @Body() body: object): Promise<GearThing> {
      return this.gear.change(campId, list, id, body);
    }

    @Delete(':id')
    @HttpCode(204)
    @ApiConflictResponse({ type: Problem, description: 'A rig uses it' })
    remove(@Param('campId') campId: string, @Param('id') id: string): Promise<void> {
      return this.gear.remove(campId, list, id);
    }

    @Post(':id/back')
    putBack(@Param('campId') campId: string, @Param('id') id: string): Promise<GearThing> {
      return this.gear.putBack(campId, list, id);
    }
  }
  return GearController;
}

/** Roofs, pegs, beds and straps, each list at its own address. */
export const GEAR_CONTROLLERS: readonly Type[] = GEAR_LISTS.map(gearController);
