import { Inject, Injectable } from '@nestjs/common';
import { eq, getTableColumns } from 'drizzle-orm';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { rigVerdicts, rigs } from '../db/schema.js';
import { notFound } from '../errors/problem.js';
import type { VerdictDto } from './verdict.dto.js';

export type VerdictRow = typeof rigVerdicts.$inferSelect;

/** What was last made of each rig, kept so that a list of them need not be worked out again. */
@Injectable()
export class VerdictService {
  constructor(@Inject(STORE) private readonly store: Store) {}

  ofCamp(campId: string): Promise<VerdictRow[]> {
    return this.store.db
      .select(getTableColumns(rigVerdicts))
      .from(rigVerdicts)
      .innerJoin(rigs, eq(rigs.id, rigVerdicts.rigId))
      .where(eq(rigs.campId, campId));
  }

  async keep(rigId: string, { of, verdict }: VerdictDto): Promise<VerdictRow> {
    const [rig] = await this.store.db.select({ id: rigs.id }).from(rigs).where(eq(rigs.id, rigId));
    if (rig === undefined) throw notFound('rig of that name');
    const made = { of, verdict, madeAt: new Date().toISOString() };
    const [row] = await this.store.db
      .insert(rigVerdicts)
      .values({ rigId, ...made })
      .onConflictDoUpdate({ target: rigVerdicts.rigId, set: made })
      .returning();
    return row!;
  }
}
