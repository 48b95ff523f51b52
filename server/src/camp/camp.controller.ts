import { Controller, Get, Inject, Param } from '@nestjs/common';
import { ApiNotFoundResponse, ApiTags } from '@nestjs/swagger';
import { asc, eq } from 'drizzle-orm';
import type { KitCord } from '@rough-bight/core/rig';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps } from '../db/schema.js';
import { Problem, notFound } from '../errors/problem.js';
import { KitService } from '../kit/kit.service.js';
import type { RigRow } from '../rig/rig.service.js';
import { RigService } from '../rig/rig.service.js';

type CampRow = typeof camps.$inferSelect;

@ApiTags('camps')
@Controller('api/camps')
export class CampController {
  constructor(
    @Inject(STORE) private readonly store: Store,
    @Inject(RigService) private readonly rigs: RigService,
    @Inject(KitService) private readonly kit: KitService,
  ) {}

  @Get()
  all(): Promise<CampRow[]> {
    return this.store.db.select().from(camps).orderBy(asc(camps.createdAt), asc(camps.id));
  }

  /** A camp with its kit and its rigs. */
  @Get(':id')
  @ApiNotFoundResponse({ type: Problem })
  async one(@Param('id') id: string): Promise<CampRow & { kit: KitCord[]; rigs: RigRow[] }> {
    const [camp] = await this.store.db.select().from(camps).where(eq(camps.id, id));
    if (camp === undefined) throw notFound('camp of that name');
    const [kit, rigs] = await Promise.all([this.kit.ofCamp(id), this.rigs.ofCamp(id)]);
    return { ...camp, kit, rigs };
  }
}
