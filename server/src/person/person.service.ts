import { Inject, Injectable } from '@nestjs/common';
import { calibratedBody } from '@rough-bight/core/ground';
import type { PersonDocument } from '@rough-bight/core/ground';
import { and, asc, eq, getTableColumns } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { people } from '../db/schema.js';
import { ProblemException, notFound } from '../errors/problem.js';
import type { PersonDto } from './person.dto.js';

const { position, gone, ...SHOWN } = getTableColumns(people);
export type PersonRow = Omit<typeof people.$inferSelect, 'position' | 'gone'>;

/** What of a person is stored as said; units of the body that are calibrated follow their repeats. */
const columnsOf = ({ name, body, calibrations, units, required }: PersonDocument) => ({
  name,
  body: calibratedBody({ ...body }, calibrations),
  calibrations,
  units: { ...units },
  required,
});

@Injectable()
export class PersonService {
  constructor(@Inject(STORE) private readonly store: Store) {}

  /** In the order they came. */
  all(): Promise<PersonRow[]> {
    return this.store.db.select(SHOWN).from(people).where(eq(gone, false)).orderBy(asc(position));
  }

  async one(id: string): Promise<PersonRow> {
    const [row] = await this.store.db
      .select(SHOWN)
      .from(people)
      .where(and(eq(people.id, id), eq(gone, false)));
    if (row === undefined) throw notFound('person of that name');
    return row;
  }

  /** Whoever asks, where that is said and known; else the first. */
  async asked(id: string | undefined): Promise<PersonRow> {
    const all = await this.all();
    const [first] = all;
    if (first === undefined) throw notFound('person yet');
    return all.find((p) => p.id === id) ?? first;
  }

  async add(draft: PersonDocument): Promise<PersonRow> {
    const [row] = await this.store.db
      .insert(people)
      .values({ id: randomUUID(), ...columnsOf(draft) })
      .returning(SHOWN);
    this.store.touched();
    return row!;
  }

  async change(id: string, dto: PersonDto): Promise<PersonRow> {
    const [row] = await this.store.db
      .update(people)
      .set({ ...columnsOf(dto), version: dto.version + 1 })
      .where(and(eq(people.id, id), eq(people.version, dto.version), eq(gone, false)))
      .returning(SHOWN);
    if (row === undefined)
      throw new ProblemException({
        code: 'conflict',
        message: 'These measures were changed in another window. Load them again, then change them.',
        current: await this.one(id),
      });
    this.store.touched();
    return row;
  }

  /** What a person paced stays as it is: every count keeps the pace it was made with. */
  async remove(id: string): Promise<void> {
    const { name } = await this.one(id);
    if ((await this.all()).length === 1)
      throw new ProblemException({
        code: 'conflict',
        message: `${name} is the last one here: somebody’s measures are needed. Add another first.`,
        fields: [],
      });
    await this.store.db.update(people).set({ gone: true }).where(eq(people.id, id));
    this.store.touched();
  }

  async putBack(id: string): Promise<PersonRow> {
    await this.store.db.update(people).set({ gone: false }).where(eq(people.id, id));
    this.store.touched();
    return this.one(id);
  }
}
