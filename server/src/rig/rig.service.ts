import { Inject, Injectable } from '@nestjs/common';
import { problemsOf } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import type { Draft, RevisedRow } from '../db/revised.js';
import { Revised } from '../db/revised.js';
import { ProblemException } from '../errors/problem.js';
import { KitService } from '../kit/kit.service.js';
import { PersonService } from '../person/person.service.js';
import type { NewRigDto, SaveRigDto } from './rig.dto.js';
import { asRig } from './rig.dto.js';

export type RigRow = RevisedRow<RidgeRig>;

@Injectable()
export class RigService extends Revised<RidgeRig> {
  constructor(
    @Inject(STORE) store: Store,
    @Inject(KitService) private readonly kit: KitService,
    @Inject(PersonService) private readonly person: PersonService,
  ) {
    super(store, 'rig');
  }

  async begin(campId: string, dto: NewRigDto): Promise<RigRow> {
    await this.campIsThere(campId);
    return this.create(campId, await this.checked(campId, dto));
  }

  async change(id: string, dto: SaveRigDto): Promise<RigRow> {
    const { campId } = await this.one(id);
    return this.save(id, dto.version, await this.checked(campId, dto));
  }

  /** What fits field by field must also fit together. */
  private async checked(campId: string, dto: NewRigDto): Promise<Draft<RidgeRig>> {
    const document = asRig(dto.document);
    const [kit, person] = await Promise.all([this.kit.ofCamp(campId), this.person.me()]);
    const problems = problemsOf(document, { kit, body: person.body });
    if (problems.length > 0)
      throw new ProblemException({
        code: 'invalid',
        message: problems[0]!.message,
        fields: problems.map((p) => ({ field: `document.${p.field}`, message: p.message })),
      });
    return { name: dto.name, note: dto.note, document };
  }
}
