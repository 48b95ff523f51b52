import { Body, Controller, Delete, Get, Header, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import {
  ApiConflictResponse,
  ApiNoContentResponse,
  ApiNotFoundResponse,
  ApiTags,
  ApiUnprocessableEntityResponse,
} from '@nestjs/swagger';
import { writeGeoJson } from '@rough-bight/core/formats';
import type { Revision } from '../db/revised.js';
import { Problem } from '../errors/problem.js';
import { MadeAs } from '../web/made-as.js';
import { NewPlaceDto, SavePlaceDto } from './place.dto.js';
import type { PlaceRow } from './place.service.js';
import { PlaceService } from './place.service.js';

@ApiTags('places')
@ApiNotFoundResponse({ type: Problem })
@Controller('api')
export class PlaceController {
  constructor(@Inject(PlaceService) private readonly places: PlaceService) {}

  @Get('places/:id')
  one(@Param('id') id: string): Promise<PlaceRow> {
    return this.places.one(id);
  }

  /** The same as GeoJSON. */
  @Get('places/:id/geojson')
  @Header('content-type', 'application/geo+json')
  async geojson(@Param('id') id: string): Promise<string> {
    return writeGeoJson((await this.places.one(id)).document);
  }

  @Get('places/:id/revisions')
  revisions(@Param('id') id: string): Promise<Revision[]> {
    return this.places.revisions(id);
  }

  @Post('camps/:campId/places')
  @ApiUnprocessableEntityResponse({ type: Problem })
  create(@Param('campId') campId: string, @Body() body: NewPlaceDto, @MadeAs() id?: string): Promise<PlaceRow> {
    return this.places.begin(campId, body, id);
  }

  @Put('places/:id')
  @ApiConflictResponse({ type: Problem, description: 'Changed since: `current` holds what is stored' })
  @ApiUnprocessableEntityResponse({ type: Problem })
  save(@Param('id') id: string, @Body() body: SavePlaceDto): Promise<PlaceRow> {
    return this.places.change(id, body);
  }

  @Delete('places/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  remove(@Param('id') id: string): Promise<void> {
    return this.places.remove(id);
  }

  /** Puts back what was deleted, with every save of it. */
  @Post('places/:id/back')
  putBack(@Param('id') id: string): Promise<PlaceRow> {
    return this.places.putBack(id);
  }
}
