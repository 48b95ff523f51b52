import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Inject,
  Param,
  Post,
  Put,
  Req,
  StreamableFile,
} from '@nestjs/common';
import { ApiConsumes, ApiNotFoundResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import type { Gear, KitCord } from '@rough-bight/core/rig';
import type { Request } from 'express';
import { Problem } from '../errors/problem.js';
import { GearService } from '../gear/gear.service.js';
import { KitService } from '../kit/kit.service.js';
import type { PlaceRow } from '../place/place.service.js';
import { PlaceService } from '../place/place.service.js';
import type { RigRow } from '../rig/rig.service.js';
import { RigService } from '../rig/rig.service.js';
import type { VerdictRow } from '../rig/verdict.service.js';
import { VerdictService } from '../rig/verdict.service.js';
import { CampDto, ChangeCampDto } from './camp.dto.js';
import { CampService } from './camp.service.js';
import type { CampRow } from './camp.service.js';

/** A camp with everything in it. */
type WholeCamp = CampRow & Gear & { kit: KitCord[]; rigs: RigRow[]; places: PlaceRow[]; verdicts: VerdictRow[] };

@ApiTags('camps')
@Controller('api/camps')
@ApiNotFoundResponse({ type: Problem })
export class CampController {
  constructor(
    @Inject(CampService) private readonly camps: CampService,
    @Inject(RigService) private readonly rigs: RigService,
    @Inject(PlaceService) private readonly places: PlaceService,
    @Inject(KitService) private readonly kit: KitService,
    @Inject(GearService) private readonly gear: GearService,
    @Inject(VerdictService) private readonly verdicts: VerdictService,
  ) {}

  @Get()
  all(): Promise<CampRow[]> {
    return this.camps.all();
  }

  @Post()
  make(@Body() body: CampDto): Promise<CampRow> {
    return this.camps.make(body);
  }

  /** Takes in a camp's file (a zip, as it came from here) as a camp of its own. */
  @Post('files')
  @ApiConsumes('application/zip')
  @ApiUnprocessableEntityResponse({ type: Problem })
  takeIn(@Req() request: Request): Promise<CampRow> {
    return this.camps.takeIn(Buffer.isBuffer(request.body) ? request.body : new Uint8Array());
  }

  /** A camp with its kit, its rigs and what was last made of each, and its places. */
  @Get(':id')
  async one(@Param('id') id: string): Promise<WholeCamp> {
    const camp = await this.camps.row(id);
    const [kit, gear, rigs, places, verdicts] = await Promise.all([
      this.kit.ofCamp(id),
      this.gear.ofCamp(id),
      this.rigs.ofCamp(id),
      this.places.ofCamp(id),
      this.verdicts.ofCamp(id),
    ]);
    return { ...camp, kit, ...gear, rigs, places, verdicts };
  }

  @Put(':id')
  change(@Param('id') id: string, @Body() body: ChangeCampDto): Promise<CampRow> {
    return this.camps.change(id, body);
  }

  @Post(':id/copies')
  copy(@Param('id') id: string): Promise<CampRow> {
    return this.camps.copy(id);
  }

  /** All of it as one file: a zip of open formats with a manifest. */
  @Get(':id/file')
  @Header('content-type', 'application/zip')
  async file(@Param('id') id: string): Promise<StreamableFile> {
    return new StreamableFile(await this.camps.file(id));
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id') id: string): Promise<void> {
    return this.camps.remove(id);
  }
}
