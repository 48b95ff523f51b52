import { Inject, Injectable } from '@nestjs/common';
import { calibratedBody } from '@rough-bight/core/ground';
import { and, eq } from 'drizzle-orm';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { people } from '../db/schema.js';
import { PERSON_ID } from '../db/seed.js';
import { ProblemException, notFound } from '../errors/problem.js';
import type { PersonDto } from './person.dto.js';

export type PersonRow = typeof people.$inferSelect;

@Injectable()
export class PersonService {
  constructor(@Inject(STORE) private readonly store: Store) {}

  async me(): Promise<PersonRow> {
    const [row] = await this.store.db.select().from(people).where(eq(people.id, PERSON_ID));
    if (row === undefined) throw notFound('person yet');
    return row;
  }

  async change(dto: PersonDto): Promise<PersonRow> {
    const [row] = await this.store.db
      .update(people)
      .set({
        name: dto.name,
        body: calibratedBody({ ...dto.body }, dto.calibrations),
        calibrations: dto.calibrations,
        units: { ...dto.units },
        required: dto.required,
        version: dto.version + 1,
      })
      .where(and(eq(people.id, PERSON_ID), eq(people.version, dto.version)))
      .returning();
    if (row === undefined)
      throw new ProblemException({
        code: 'conflict',
        message: 'Your measures were changed in another window. Load them again, then change them.',
        current: await this.me(),
      });
    this.store.touched();
    return row;
  }
}
