import { Inject, Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { cordProblems } from '@rough-bight/core/cordage';
import { usedBy } from '@rough-bight/core/rig';
import type { Sun, Wear } from '@rough-bight/core/catalogue';
import type { KitCord } from '@rough-bight/core/rig';
import { and, asc, eq } from 'drizzle-orm';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps, kitCords, rigs } from '../db/schema.js';
import { ProblemException, notFound } from '../errors/problem.js';
import type { KitCordDto } from './kit.dto.js';

function fromRow(row: typeof kitCords.$inferSelect): KitCord {
  return {
    id: row.id,
    name: row.name,
    cord: row.cord,
    ...(row.own === null ? {} : { own: row.own }),
    length: row.length,
    ...(row.pieces === null ? {} : { pieces: row.pieces }),
    ...(row.cuts === null ? {} : { cuts: row.cuts }),
    sun: row.sun as Sun,
    wear: row.wear as Wear,
  };
}

/** Every column that it has: what is left out is none. */
const whole = (dto: KitCordDto) => ({
  ...dto,
  own: dto.own ?? null,
  pieces: dto.pieces ?? null,
  cuts: dto.cuts ?? null,
});

/** @throws ProblemException naming the field of what is right by itself and not together */
function fits(dto: KitCordDto): void {
  const wrong = cordProblems(dto)[0];
  if (wrong !== undefined) throw new ProblemException({ code: 'invalid', message: wrong.message, fields: [wrong] });
}

@Injectable()
export class KitService {
  constructor(@Inject(STORE) private readonly store: Store) {}

  async ofCamp(campId: string): Promise<KitCord[]> {
    const rows = await this.store.db
      .select()
      .from(kitCords)
      .where(and(eq(kitCords.campId, campId), eq(kitCords.gone, false)))
      .orderBy(asc(kitCords.position));
    return rows.map(fromRow);
  }

  /** A new hank; where one of that id is there already, that one. */
  async add(campId: string, dto: KitCordDto, id: string = randomUUID()): Promise<KitCord> {
    const [camp] = await this.store.db.select({ id: camps.id }).from(camps).where(eq(camps.id, campId));
    if (camp === undefined) throw notFound('camp of that name');
    fits(dto);
    const [row] = await this.store.db
      .insert(kitCords)
      .values({ id, campId, ...dto })
      // where one of that id was taken out before
      .onConflictDoUpdate({
        target: [kitCords.campId, kitCords.id],
        set: { ...whole(dto), gone: false },
        setWhere: eq(kitCords.gone, true),
      })
      .returning();
    if (row === undefined) return (await this.ofCamp(campId)).find((c) => c.id === id)!;
    this.store.touched();
    return fromRow(row);
  }

  async change(campId: string, id: string, dto: KitCordDto): Promise<KitCord> {
    fits(dto);
    const [row] = await this.store.db
      .update(kitCords)
      .set(whole(dto))
      .where(and(eq(kitCords.campId, campId), eq(kitCords.id, id), eq(kitCords.gone, false)))
      .returning();
    if (row === undefined) throw notFound('cord of that name in the kit');
    this.store.touched();
    return fromRow(row);
  }

  async remove(campId: string, id: string): Promise<void> {
    const users = (
      await this.store.db
        .select({ name: rigs.name, document: rigs.document })
        .from(rigs)
        .where(and(eq(rigs.campId, campId), eq(rigs.gone, false)))
    ).filter((r) => usedBy(r.document).cords.has(id));
    if (users.length > 0)
      throw new ProblemException({
        code: 'conflict',
        message: `This cord is in ${users.map((u) => `“${u.name}”`).join(', ')}. Choose another cord there first.`,
      });
    await this.mark(campId, id, true);
  }

  /** What was taken out, as it was. */
  async putBack(campId: string, id: string): Promise<KitCord> {
    return fromRow(await this.mark(campId, id, false));
  }

  private async mark(campId: string, id: string, gone: boolean): Promise<typeof kitCords.$inferSelect> {
    const [row] = await this.store.db
      .update(kitCords)
      .set({ gone })
      .where(and(eq(kitCords.campId, campId), eq(kitCords.id, id), eq(kitCords.gone, !gone)))
      .returning();
    if (row === undefined) throw notFound('cord of that name in the kit');
    this.store.touched();
    return row;
  }
}
