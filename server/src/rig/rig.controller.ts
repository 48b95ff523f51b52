import { Body, Controller, Delete, Get, Header, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import {
  ApiConflictResponse,
  ApiCreatedResponse,
  ApiNoContentResponse,
  ApiNotFoundResponse,
  ApiOkResponse,
  ApiTags,
  ApiUnprocessableEntityResponse,
} from '@nestjs/swagger';
import { Problem } from '../errors/problem.js';
import { NewRigDto, OrderDto, RigDto, SaveRigDto } from './rig.dto.js';
import { RigService } from './rig.service.js';
import { VerdictDto } from './verdict.dto.js';
import { VerdictService } from './verdict.service.js';
import type { VerdictRow } from './verdict.service.js';
import type { RigRow } from './rig.service.js';

@ApiTags('rigs')
@ApiNotFoundResponse({ type: Problem })
@Controller('api')
export class RigController {
  constructor(
    @Inject(RigService) private readonly rigs: RigService,
    @Inject(VerdictService) private readonly verdicts: VerdictService,
  ) {}

  @Get('rigs/:id')
  @ApiOkResponse({ type: RigDto })
  one(@Param('id') id: string): Promise<RigRow> {
    return this.rigs.one(id);
  }

  @Get('rigs/:id/revisions')
  revisions(@Param('id') id: string): Promise<{ version: number; name: string; savedAt: string }[]> {
    return this.rigs.revisions(id);
  }

  /** The same as a file: `rough-bight/rig@4`. */
  @Get('rigs/:id/file')
  @Header('content-type', 'application/json')
  file(@Param('id') id: string): Promise<string> {
    return this.rigs.file(id);
  }

  /** Takes in a rig file, with what of its kit is missing here. */
  @Post('camps/:campId/rig-files')
  @ApiUnprocessableEntityResponse({ type: Problem })
  takeIn(@Param('campId') campId: string, @Body() body: object): Promise<RigRow> {
    return this.rigs.takeIn(campId, body);
  }

  @Post('camps/:campId/rigs')
  @ApiCreatedResponse({ type: RigDto })
  @ApiUnprocessableEntityResponse({ type: Problem })
  create(@Param('campId') campId: string, @Body() body: NewRigDto): Promise<RigRow> {
    return this.rigs.begin(campId, body);
  }

  /** Sets the order that a camp's rigs are listed in. */
  @Put('camps/:campId/rigs-order')
  @HttpCode(204)
  @ApiNoContentResponse()
  @ApiConflictResponse({ type: Problem, description: 'Rigs were added or deleted since' })
  order(@Param('campId') campId: string, @Body() { ids }: OrderDto): Promise<void> {
    return this.rigs.order(campId, ids);
  }

  @Put('rigs/:id')
  @ApiOkResponse({ type: RigDto })
  @ApiConflictResponse({ type: Problem, description: 'Changed since: `current` holds what is stored' })
  @ApiUnprocessableEntityResponse({ type: Problem })
  save(@Param('id') id: string, @Body() body: SaveRigDto): Promise<RigRow> {
    return this.rigs.change(id, body);
  }

  /** Keeps what a rig comes to, worked out where it is shown. */
  @Put('rigs/:id/verdict')
  verdict(@Param('id') id: string, @Body() body: VerdictDto): Promise<VerdictRow> {
    return this.verdicts.keep(id, body);
  }

  @Delete('rigs/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  remove(@Param('id') id: string): Promise<void> {
    return this.rigs.remove(id);
  }
}
