import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, lte, sql } from 'drizzle-orm';
import { ProblemException, notFound } from '../errors/problem.js';
import type { Store } from './database.js';
import { camps, placeRevisions, places, rigRevisions, rigs } from './schema.js';

/** Saves of one document that are kept besides those that are called something. */
const REVISIONS_KEPT = 300;

/** A named document of a camp as stored. */
export interface RevisedRow<D> {
  readonly id: string;
  readonly campId: string;
  readonly position: number;
  readonly name: string;
  readonly note: string;
  readonly document: D;
  readonly version: number;
  readonly updatedAt: string;
}
/** One save of it, as it is listed. */
export interface Revision {
  readonly version: number;
  readonly name: string;
  readonly called: string;
  readonly savedAt: string;
}
export interface Draft<D> {
  readonly name: string;
  readonly note: string;
  readonly document: D;
}

const TABLES = {
  rig: { rows: rigs, revisions: rigRevisions, of: rigRevisions.rigId, key: 'rigId' },
  place: { rows: places, revisions: placeRevisions, of: placeRevisions.placeId, key: 'placeId' },
} as const;

/**
 * The documents of one kind: each save names the version it was made from, is refused when that is not the stored one, and
 * leaves a revision.
 */
export class Revised<D> {
  // the tables of every kind have the same columns; one kind's types stand for all
  private readonly rows: typeof rigs;
  private readonly history: typeof rigRevisions;
  private readonly of: typeof rigRevisions.rigId;
  private readonly key: string;

  constructor(
    private readonly store: Store,
    private readonly kind: keyof typeof TABLES,
  ) {
    const t = TABLES[kind];
    this.rows = t.rows as unknown as typeof rigs;
    this.history = t.revisions as unknown as typeof rigRevisions;
    this.of = t.of as unknown as typeof rigRevisions.rigId;
    this.key = t.key;
  }

  /** Those that are not deleted. */
  private get here() {
    return eq(this.rows.gone, false);
  }

  private asRevision(id: string, version: number, draft: Draft<D>): typeof rigRevisions.$inferInsert {
    return { [this.key]: id, version, ...draft } as unknown as typeof rigRevisions.$inferInsert;
  }

  async one(id: string): Promise<RevisedRow<D>> {
    const [row] = await this.store.db
      .select()
      .from(this.rows)
      .where(and(eq(this.rows.id, id), this.here));
    if (row === undefined) throw notFound(`${this.kind} of that name`);
    return row as unknown as RevisedRow<D>;
  }

  async ofCamp(campId: string): Promise<RevisedRow<D>[]> {
    const rows = await this.store.db
      .select()
      .from(this.rows)
      .where(and(eq(this.rows.campId, campId), this.here))
      .orderBy(asc(this.rows.position));
    return rows as unknown as RevisedRow<D>[];
  }

  /** Every save, newest first, without its document. */
  async revisions(id: string): Promise<Revision[]> {
    await this.one(id);
    const h = this.history;
    return this.store.db
      .select({ version: h.version, name: h.name, called: h.called, savedAt: h.savedAt })
      .from(h)
      .where(eq(this.of, id))
      .orderBy(desc(h.version));
  }

  /** One save as it was. */
  async revision(id: string, version: number): Promise<Revision & Draft<D>> {
    await this.one(id);
    const h = this.history;
    const [found] = await this.store.db
      .select({
        version: h.version,
        name: h.name,
        note: h.note,
        document: h.document,
        called: h.called,
        savedAt: h.savedAt,
      })
      .from(h)
      .where(and(eq(this.of, id), eq(h.version, version)));
    if (found === undefined) throw notFound(`version of this ${this.kind}`);
    return found as unknown as Revision & Draft<D>;
  }

  /** Calls a save something, or nothing any more. */
  async callRevision(id: string, version: number, called: string): Promise<void> {
    await this.revision(id, version);
    await this.store.db
      .update(this.history)
      .set({ called })
      .where(and(eq(this.of, id), eq(this.history.version, version)));
    this.store.touched();
  }

  /** A new one; where one of that id is there already, that one. */
  async create(campId: string, draft: Draft<D>, id: string = randomUUID()): Promise<RevisedRow<D>> {
    await this.campIsThere(campId);
    const row = await this.store.db.transaction(async (tx) => {
      const values = { id, campId, name: draft.name, note: draft.note, document: draft.document };
      const [made] = await tx
        .insert(this.rows)
        .values(values as never)
        .onConflictDoNothing()
        .returning();
      if (made !== undefined) await tx.insert(this.history).values(this.asRevision(made.id, 1, draft));
      return made;
    });
    if (row === undefined) return this.one(id);
    this.store.touched();
    return row as unknown as RevisedRow<D>;
  }

  async campIsThere(campId: string): Promise<void> {
    const [camp] = await this.store.db.select({ id: camps.id }).from(camps).where(eq(camps.id, campId));
    if (camp === undefined) throw notFound('camp of that name');
  }

  /** Stores a save made from the version that is stored; a save made from an older one is refused and told so. */
  async save(id: string, version: number, draft: Draft<D>): Promise<RevisedRow<D>> {
    const row = await this.store.db.transaction(async (tx) => {
      const [saved] = await tx
        .update(this.rows)
        .set({ ...draft, version: version + 1, updatedAt: sql`now()` } as never)
        .where(and(eq(this.rows.id, id), eq(this.rows.version, version), this.here))
        .returning();
      if (saved === undefined) return null;
      await tx.insert(this.history).values(this.asRevision(id, saved.version, draft));
      await tx
        .delete(this.history)
        .where(
          and(eq(this.of, id), eq(this.history.called, ''), lte(this.history.version, saved.version - REVISIONS_KEPT)),
        );
      return saved;
    });
    if (row === null)
      throw new ProblemException({
        code: 'conflict',
        message: `This ${this.kind} was changed in another window. Take that one, or keep yours as a copy.`,
        current: await this.one(id),
      });
    this.store.touched();
    return row as unknown as RevisedRow<D>;
  }

  /** Lists a camp's in another order. @param ids all of them, each once */
  async order(campId: string, ids: readonly string[]): Promise<void> {
    await this.store.db.transaction(async (tx) => {
      const stored = await tx
        .select({ id: this.rows.id, position: this.rows.position })
        .from(this.rows)
        .where(and(eq(this.rows.campId, campId), this.here))
        .orderBy(asc(this.rows.position));
      if (stored.length !== ids.length || stored.some(({ id }) => !ids.includes(id)))
        throw new ProblemException({
          code: 'conflict',
          message: `The list has changed since: a ${this.kind} was added or deleted. Set its order again.`,
        });
      for (const [k, id] of ids.entries())
        await tx.update(this.rows).set({ position: stored[k]!.position }).where(eq(this.rows.id, id));
    });
    this.store.touched();
  }

  /** It can be put back as it was, with every save of it. */
  async remove(id: string): Promise<void> {
    await this.one(id);
    await this.store.db.update(this.rows).set({ gone: true }).where(eq(this.rows.id, id));
    this.store.touched();
  }

  /** What was deleted, as it was. */
  async gone(id: string): Promise<RevisedRow<D>> {
    const [row] = await this.store.db
      .select()
      .from(this.rows)
      .where(and(eq(this.rows.id, id), eq(this.rows.gone, true)));
    if (row === undefined) throw notFound(`deleted ${this.kind} of that name`);
    return row as unknown as RevisedRow<D>;
  }

  async putBack(id: string): Promise<RevisedRow<D>> {
    await this.gone(id);
    await this.store.db.update(this.rows).set({ gone: false }).where(eq(this.rows.id, id));
    this.store.touched();
    return this.one(id);
  }
}
