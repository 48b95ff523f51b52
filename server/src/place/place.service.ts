import { Inject, Injectable } from '@nestjs/common';
import { checkPlace } from '@rough-bight/core/ground';
import { under } from '@rough-bight/core/document';
import type { Place } from '@rough-bight/core/ground';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import type { Draft, RevisedRow } from '../db/revised.js';
import { Revised } from '../db/revised.js';
import { ProblemException } from '../errors/problem.js';
import type { NewPlaceDto, SavePlaceDto } from './place.dto.js';

export type PlaceRow = RevisedRow<Place>;

/** A place that fits, or a refusal that names the field. */
function checked(dto: NewPlaceDto): Draft<Place> {
  const found = checkPlace(dto.document);
  if ('problem' in found) {
    const { field, message } = found.problem;
    throw new ProblemException({ code: 'invalid', message, fields: [{ field: under('document', field), message }] });
  }
  return { name: dto.name, note: dto.note, document: found.place };
}

@Injectable()
export class PlaceService extends Revised<Place> {
  constructor(@Inject(STORE) store: Store) {
    super(store, 'place');
  }

  begin(campId: string, dto: NewPlaceDto, id?: string): Promise<PlaceRow> {
    return this.create(campId, checked(dto), id);
  }

  async change(id: string, dto: SavePlaceDto): Promise<PlaceRow> {
    await this.one(id);
    return this.save(id, dto.version, checked(dto));
  }
}
