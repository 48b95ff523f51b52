import { Inject, Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { problemsOf } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { and, asc, desc, eq, lte, sql } from 'drizzle-orm';
import type { Db, Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps, rigRevisions, rigs } from '../db/schema.js';
import { ProblemException, notFound } from '../errors/problem.js';
import { KitService } from '../kit/kit.service.js';
import { PersonService } from '../person/person.service.js';
import type { NewRigDto, SaveRigDto } from './rig.dto.js';
import { asRig } from './rig.dto.js';

export type RigRow = typeof rigs.$inferSelect;

/** Saves of one rig that are kept. */
const REVISIONS_KEPT = 300;

@Injectable()
export class RigService {
  private readonly db: Db;

  constructor(
    @Inject(STORE) private readonly store: Store,
    @Inject(KitService) private readonly kit: KitService,
    @Inject(PersonService) private readonly person: PersonService,
  ) {
    this.db = store.db;
  }

  async one(id: string): Promise<RigRow> {
    const [row] = await this.db.select().from(rigs).where(eq(rigs.id, id));
    if (row === undefined) throw notFound('rig of that name');
    return row;
  }

  ofCamp(campId: string): Promise<RigRow[]> {
    return this.db.select().from(rigs).where(eq(rigs.campId, campId)).orderBy(asc(rigs.position));
  }

  /** Every save of a rig, newest first, without its document. */
  async revisions(id: string): Promise<{ version: number; name: string; savedAt: string }[]> {
    await this.one(id);
    return this.db
      .select({ version: rigRevisions.version, name: rigRevisions.name, savedAt: rigRevisions.savedAt })
      .from(rigRevisions)
      .where(eq(rigRevisions.rigId, id))
      .orderBy(desc(rigRevisions.version));
  }

  async create(campId: string, dto: NewRigDto): Promise<RigRow> {
    const [camp] = await this.db.select({ id: camps.id }).from(camps).where(eq(camps.id, campId));
    if (camp === undefined) throw notFound('camp of that name');
    const document = await this.checked(campId, dto);
    const row = await this.db.transaction(async (tx) => {
      const [made] = await tx
        .insert(rigs)
        .values({ id: randomUUID(), campId, name: dto.name, note: dto.note, document })
        .returning();
      await tx.insert(rigRevisions).values({ rigId: made!.id, version: 1, name: dto.name, note: dto.note, document });
      return made!;
    });
    this.store.touched();
    return row;
  }

  /** Stores a save made from the version that is stored; a save made from an older one is refused and told so. */
  async save(id: string, dto: SaveRigDto): Promise<RigRow> {
    const before = await this.one(id);
    const document = await this.checked(before.campId, dto);
    const row = await this.db.transaction(async (tx) => {
      const [saved] = await tx
        .update(rigs)
        .set({ name: dto.name, note: dto.note, document, version: dto.version + 1, updatedAt: sql`now()` })
        .where(and(eq(rigs.id, id), eq(rigs.version, dto.version)))
        .returning();
      if (saved === undefined) return null;
      await tx
        .insert(rigRevisions)
        .values({ rigId: id, version: saved.version, name: dto.name, note: dto.note, document });
      await tx
        .delete(rigRevisions)
        .where(and(eq(rigRevisions.rigId, id), lte(rigRevisions.version, saved.version - REVISIONS_KEPT)));
      return saved;
    });
    if (row === null)
      throw new ProblemException({
        code: 'conflict',
        message: 'This rig was changed in another window. Take that one, or keep yours as a copy.',
        current: await this.one(id),
      });
    this.store.touched();
    return row;
  }

  async remove(id: string): Promise<void> {
    await this.one(id);
    await this.db.delete(rigs).where(eq(rigs.id, id));
    this.store.touched();
  }

  /** What fits field by field must also fit together. */
  private async checked(campId: string, dto: NewRigDto): Promise<RidgeRig> {
    const document = asRig(dto.document);
    const [kit, person] = await Promise.all([this.kit.ofCamp(campId), this.person.me()]);
    const problems = problemsOf(document, { kit, body: person.body });
    if (problems.length > 0)
      throw new ProblemException({
        code: 'invalid',
        message: problems[0]!.message,
        fields: problems.map((p) => ({ field: `document.${p.field}`, message: p.message })),
      });
    return document;
  }
}
