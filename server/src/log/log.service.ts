import { Inject, Injectable } from '@nestjs/common';
import type { LogEntry } from '@rough-bight/core/log';
import { asc, eq } from 'drizzle-orm';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps, logEntries } from '../db/schema.js';
import { notFound } from '../errors/problem.js';

@Injectable()
export class LogService {
  constructor(@Inject(STORE) private readonly store: Store) {}

  private async campIsThere(campId: string): Promise<void> {
    const [camp] = await this.store.db.select({ id: camps.id }).from(camps).where(eq(camps.id, campId));
    if (camp === undefined) throw notFound('camp of that name');
  }

  /** A camp's entries in the order in which they arrived. */
  async ofCamp(campId: string): Promise<LogEntry[]> {
    await this.campIsThere(campId);
    const rows = await this.store.db
      .select()
      .from(logEntries)
      .where(eq(logEntries.campId, campId))
      .orderBy(asc(logEntries.position));
    return rows.map(({ id, at, by, rig, what }) => ({ id, at: new Date(at).toISOString(), by, rig, what }));
  }

  /** Takes entries in their order, all or none; those that are there already stay as they are. @returns how many are new */
  async take(campId: string, entries: readonly LogEntry[]): Promise<number> {
    await this.campIsThere(campId);
    if (entries.length === 0) return 0;
    const added = await this.store.db.transaction(async (tx) => {
      let count = 0;
      // one by one, so that their places follow their order
      for (const entry of entries) {
        const made = await tx
          .insert(logEntries)
          .values({ campId, ...entry })
          .onConflictDoNothing()
          .returning({ id: logEntries.id });
        count += made.length;
      }
      return count;
    });
    this.store.touched();
    return added;
  }
}
