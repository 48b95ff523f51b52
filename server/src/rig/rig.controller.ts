import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Inject,
  Param,
  ParseIntPipe,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import {
  ApiConflictResponse,
  ApiCreatedResponse,
  ApiNoContentResponse,
  ApiNotFoundResponse,
  ApiOkResponse,
  ApiTags,
  ApiUnprocessableEntityResponse,
} from '@nestjs/swagger';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { Draft, Revision } from '../db/revised.js';
import { Problem } from '../errors/problem.js';
import { MadeAs } from '../web/made-as.js';
import { CalledDto, NewRigDto, OrderDto, RevisionDto, RigDto, SaveRigDto } from './rig.dto.js';
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
  @ApiOkResponse({ type: RevisionDto, isArray: true })
  revisions(@Param('id') id: string): Promise<Revision[]> {
    return this.rigs.revisions(id);
  }

  /** A rig as it was. */
  @Get('rigs/:id/revisions/:version')
  revision(
    @Param('id') id: string,
    @Param('version', ParseIntPipe) version: number,
  ): Promise<Revision & Draft<RidgeRig>> {
    return this.rigs.revision(id, version);
  }

  /** Calls one something, so that it is kept and found again. */
  @Put('rigs/:id/revisions/:version')
  @HttpCode(204)
  @ApiNoContentResponse()
  @ApiUnprocessableEntityResponse({ type: Problem })
  callRevision(
    @Param('id') id: string,
    @Param('version', ParseIntPipe) version: number,
    @Body() { called }: CalledDto,
  ): Promise<void> {
    return this.rigs.callRevision(id, version, called);
  }

  /** The same as a file: `rough-bight/rig@4`, with the measures and margins of the person of an id. */
  @Get('rigs/:id/file')
  @Header('content-type', 'application/json')
  file(@Param('id') id: string, @Query('as') as?: string): Promise<string> {
    return this.rigs.file(id, as);
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
  create(@Param('campId') campId: string, @Body() body: NewRigDto, @MadeAs() id?: string): Promise<RigRow> {
    return this.rigs.begin(campId, body, id);
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

  /** Puts back what was deleted, with every save of it. */
  @Post('rigs/:id/back')
  @ApiUnprocessableEntityResponse({ type: Problem, description: 'What it uses is not in the kit any more' })
  putBack(@Param('id') id: string): Promise<RigRow> {
    return this.rigs.putBack(id);
  }
}
