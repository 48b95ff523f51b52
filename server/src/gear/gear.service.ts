import { randomUUID } from 'node:crypto';
import { wrongPegs, wrongRoof } from '@rough-bight/core/formats';
import type { KitPegs, RidgeRig } from '@rough-bight/core/rig';
import { roofProblems } from '@rough-bight/core/roof';
import type { KitRoof } from '@rough-bight/core/roof';
import { usedBy } from '@rough-bight/core/formats';
import { Inject, Injectable } from '@nestjs/common';
import { and, asc, eq } from 'drizzle-orm';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps, kitGear, rigs } from '../db/schema.js';
import { ProblemException, notFound } from '../errors/problem.js';

export interface Gear {
  readonly roof: KitRoof;
  readonly pegs: KitPegs;
}
const NAMES = { roof: 'roof', pegs: 'pegs' } as const;

/** Checks a roof or pegs as sent; the id is the address's. @throws ProblemException naming the field */
function checked<K extends keyof Gear>(kind: K, id: string, body: object): Gear[K] {
  const document = { ...body, id } as unknown as Gear[K];
  const wrong = kind === 'roof' ? wrongRoof(document) : wrongPegs(document);
  const found =
    wrong !== null
      ? { field: wrong.field, message: wrong.problem }
      : kind === 'roof'
        ? roofProblems(document as KitRoof)[0]
        : undefined;
  if (found !== undefined) throw new ProblemException({ code: 'invalid', message: found.message, fields: [found] });
  return document;
}

/** Roofs and pegs of a camp's kit. */
@Injectable()
export class GearService {
  constructor(@Inject(STORE) private readonly store: Store) {}

  async ofCamp<K extends keyof Gear>(campId: string, kind: K): Promise<Gear[K][]> {
    const rows = await this.store.db
      .select()
      .from(kitGear)
      .where(and(eq(kitGear.campId, campId), eq(kitGear.kind, kind)))
      .orderBy(asc(kitGear.position));
    return rows.map((r) => r.document as Gear[K]);
  }

  async add<K extends keyof Gear>(campId: string, kind: K, body: object, id: string = randomUUID()): Promise<Gear[K]> {
    const [camp] = await this.store.db.select({ id: camps.id }).from(camps).where(eq(camps.id, campId));
    if (camp === undefined) throw notFound('camp of that name');
    const document = checked(kind, id, body);
    await this.store.db.insert(kitGear).values({ id, campId, kind, document });
    this.store.touched();
    return document;
  }

  async change<K extends keyof Gear>(campId: string, kind: K, id: string, body: object): Promise<Gear[K]> {
    const document = checked(kind, id, body);
    const [row] = await this.store.db
      .update(kitGear)
      .set({ document })
      .where(and(eq(kitGear.campId, campId), eq(kitGear.kind, kind), eq(kitGear.id, id)))
      .returning();
    if (row === undefined) throw notFound(`${NAMES[kind]} of that name in the kit`);
    this.store.touched();
    return document;
  }

  async remove(campId: string, kind: keyof Gear, id: string): Promise<void> {
    const users = (
      await this.store.db.select({ name: rigs.name, document: rigs.document }).from(rigs).where(eq(rigs.campId, campId))
    ).filter((r) => usedBy(r.document as RidgeRig)[kind === 'roof' ? 'roofs' : 'pegs'].has(id));
    if (users.length > 0)
      throw new ProblemException({
        code: 'conflict',
        message: `${kind === 'roof' ? 'This roof is' : 'These pegs are'} in ${users.map((u) => `“${u.name}”`).join(', ')}. Choose others there first.`,
      });
    const gone = await this.store.db
      .delete(kitGear)
      .where(and(eq(kitGear.campId, campId), eq(kitGear.kind, kind), eq(kitGear.id, id)))
      .returning();
    if (gone.length === 0) throw notFound(`${NAMES[kind]} of that name in the kit`);
    this.store.touched();
  }
}
