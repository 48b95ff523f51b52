import { randomUUID } from 'node:crypto';
import { usedBy, wrongInKit } from '@rough-bight/core/rig';
import { GEAR_LISTS, GEAR_NAMES } from '@rough-bight/core/rig';
import type { Gear, GearList } from '@rough-bight/core/rig';
import { Inject, Injectable } from '@nestjs/common';
import { and, asc, eq } from 'drizzle-orm';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps, kitGear, rigs } from '../db/schema.js';
import { ProblemException, notFound } from '../errors/problem.js';

export type GearThing = Gear[GearList][number];

/** Checks a thing of the kit as sent; the id is the address's. @throws ProblemException naming the field */
function checked<L extends GearList>(list: L, id: string, body: object): Gear[L][number] {
  const document = { ...body, id };
  const wrong = wrongInKit(list, document);
  if (wrong !== null)
    throw new ProblemException({
      code: 'invalid',
      message: wrong.message,
      fields: [wrong],
    });
  return document as Gear[L][number];
}

/** What of a camp's kit is no cord. */
@Injectable()
export class GearService {
  constructor(@Inject(STORE) private readonly store: Store) {}

  async ofCamp(campId: string): Promise<Gear> {
    const rows = await this.store.db
      .select()
      .from(kitGear)
      .where(and(eq(kitGear.campId, campId), eq(kitGear.gone, false)))
      .orderBy(asc(kitGear.position));
    return Object.fromEntries(
      GEAR_LISTS.map((list) => [list, rows.filter((r) => r.kind === list).map((r) => r.document)]),
    ) as unknown as Gear;
  }

  /** A new thing; where one of that id is there already, that one. */
  async add<L extends GearList>(
    campId: string,
    list: L,
    body: object,
    id: string = randomUUID(),
  ): Promise<Gear[L][number]> {
    const [camp] = await this.store.db.select({ id: camps.id }).from(camps).where(eq(camps.id, campId));
    if (camp === undefined) throw notFound('camp of that name');
    const document = checked(list, id, body);
    const [row] = await this.store.db
      .insert(kitGear)
      .values({ id, campId, kind: list, document })
      // where one of that id was taken out before
      .onConflictDoUpdate({
        target: [kitGear.campId, kitGear.kind, kitGear.id],
        set: { document, gone: false },
        setWhere: eq(kitGear.gone, true),
      })
      .returning();
    if (row === undefined)
      return ((await this.ofCamp(campId))[list] as readonly Gear[L][number][]).find((x) => x.id === id)!;
    this.store.touched();
    return document;
  }

  async change<L extends GearList>(campId: string, list: L, id: string, body: object): Promise<Gear[L][number]> {
    const document = checked(list, id, body);
    const [row] = await this.store.db
      .update(kitGear)
      .set({ document })
      .where(and(eq(kitGear.campId, campId), eq(kitGear.kind, list), eq(kitGear.id, id), eq(kitGear.gone, false)))
      .returning();
    if (row === undefined) throw notFound(`${GEAR_NAMES[list].one} of that name in the kit`);
    this.store.touched();
    return document;
  }

  async remove(campId: string, list: GearList, id: string): Promise<void> {
    const users = (
      await this.store.db
        .select({ name: rigs.name, document: rigs.document })
        .from(rigs)
        .where(and(eq(rigs.campId, campId), eq(rigs.gone, false)))
    ).filter((r) => usedBy(r.document)[list].has(id));
    if (users.length > 0)
      throw new ProblemException({
        code: 'conflict',
        message: `${GEAR_NAMES[list].these} in ${users.map((u) => `“${u.name}”`).join(', ')}. Choose others there first.`,
      });
    await this.mark(campId, list, id, true);
  }

  /** What was taken out, as it was. */
  putBack(campId: string, list: GearList, id: string): Promise<GearThing> {
    return this.mark(campId, list, id, false);
  }

  private async mark(campId: string, list: GearList, id: string, gone: boolean): Promise<GearThing> {
    const [row] = await this.store.db
      .update(kitGear)
      .set({ gone })
      .where(and(eq(kitGear.campId, campId), eq(kitGear.kind, list), eq(kitGear.id, id), eq(kitGear.gone, !gone)))
      .returning();
    if (row === undefined) throw notFound(`${GEAR_NAMES[list].one} of that name in the kit`);
    this.store.touched();
    return row.document;
  }
}
