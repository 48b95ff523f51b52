import { Controller, Get, Inject, Param } from '@nestjs/common';
import { ApiNotFoundResponse, ApiTags } from '@nestjs/swagger';
import { asc, eq } from 'drizzle-orm';
import type { Gear, KitCord } from '@rough-bight/core/rig';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps } from '../db/schema.js';
import { Problem, notFound } from '../errors/problem.js';
import { GearService } from '../gear/gear.service.js';
import { KitService } from '../kit/kit.service.js';
import type { PlaceRow } from '../place/place.service.js';
import { PlaceService } from '../place/place.service.js';
import type { RigRow } from '../rig/rig.service.js';
import { RigService } from '../rig/rig.service.js';

type CampRow = typeof camps.$inferSelect;

@ApiTags('camps')
@Controller('api/camps')
export class CampController {
  constructor(
    @Inject(STORE) private readonly store: Store,
    @Inject(RigService) private readonly rigs: RigService,
    @Inject(PlaceService) private readonly places: PlaceService,
    @Inject(KitService) private readonly kit: KitService,
    @Inject(GearService) private readonly gear: GearService,
  ) {}

  @Get()
  all(): Promise<CampRow[]> {
    return this.store.db.select().from(camps).orderBy(asc(camps.createdAt), asc(camps.id));
  }

  /** A camp with its kit, its rigs and its places. */
  @Get(':id')
  @ApiNotFoundResponse({ type: Problem })
  async one(@Param('id') id: string): Promise<CampRow & Gear & { kit: KitCord[]; rigs: RigRow[]; places: PlaceRow[] }> {
    const [camp] = await this.store.db.select().from(camps).where(eq(camps.id, id));
    if (camp === undefined) throw notFound('camp of that name');
    const [kit, gear, rigs, places] = await Promise.all([
      this.kit.ofCamp(id),
      this.gear.ofCamp(id),
      this.rigs.ofCamp(id),
      this.places.ofCamp(id),
    ]);
    return { ...camp, kit, ...gear, rigs, places };
  }
}
