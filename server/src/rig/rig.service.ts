import { Inject, Injectable } from '@nestjs/common';
import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { FileProblem, checkedRigFile, renameKit, rigFile, writeRigFile } from '@rough-bight/core/formats';
import { GEAR_LISTS, pacedBy, rigProblems } from '@rough-bight/core/rig';
import type { RigContext, RidgeRig } from '@rough-bight/core/rig';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import type { Draft, RevisedRow } from '../db/revised.js';
import { Revised } from '../db/revised.js';
import { ProblemException } from '../errors/problem.js';
import { GearService } from '../gear/gear.service.js';
import { KitService } from '../kit/kit.service.js';
import { PersonService } from '../person/person.service.js';
import { takingIn } from '../person/strangers.js';
import { PlaceService } from '../place/place.service.js';
import type { NewRigDto, SaveRigDto } from './rig.dto.js';

export type RigRow = RevisedRow<RidgeRig>;

@Injectable()
export class RigService extends Revised<RidgeRig> {
  constructor(
    @Inject(STORE) store: Store,
    @Inject(KitService) private readonly kit: KitService,
    @Inject(PersonService) private readonly people: PersonService,
    @Inject(GearService) private readonly gear: GearService,
    @Inject(PlaceService) private readonly places: PlaceService,
  ) {
    super(store, 'rig');
  }

  async begin(campId: string, dto: NewRigDto, id?: string): Promise<RigRow> {
    await this.campIsThere(campId);
    return this.create(campId, await this.checked(campId, dto), id);
  }

  async change(id: string, dto: SaveRigDto): Promise<RigRow> {
    const { campId } = await this.one(id);
    return this.save(id, dto.version, await this.checked(campId, dto));
  }

  override async putBack(id: string): Promise<RigRow> {
    const { campId, ...draft } = await this.gone(id);
    await this.checked(campId, draft);
    return super.putBack(id);
  }

  /** What a rig of a camp is judged with. @param as id of whoever asks */
  private async context(campId: string, rig: RidgeRig, as?: string): Promise<RigContext> {
    const [kit, gear, known, { body, required }] = await Promise.all([
      this.kit.ofCamp(campId),
      this.gear.ofCamp(campId),
      this.people.all(),
      this.people.asked(as),
    ]);
    return pacedBy(rig, { kit, ...gear, body, required }, { people: known });
  }

  /** A rig as a file of its own, with the kit it uses and its ground. */
  async file(id: string, as?: string): Promise<string> {
    const { campId, name, note, document } = await this.one(id);
    const [context, places] = await Promise.all([this.context(campId, document, as), this.places.ofCamp(campId)]);
    const place = places.find((p) => p.id === document.site?.place)?.document ?? null;
    return writeRigFile(rigFile({ name, note, rig: document }, context, place));
  }

  /** Takes a rig file into a camp: what of its kit is not there yet is added to it. */
  async takeIn(campId: string, body: unknown): Promise<RigRow> {
    await this.campIsThere(campId);
    let file: ReturnType<typeof checkedRigFile>;
    try {
      file = checkedRigFile(body);
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      throw new ProblemException({
        code: 'invalid',
        message: error.message,
        fields: [{ field: error.where, message: error.problem }],
      });
    }
    const context = await this.context(campId, file.rig);
    // an id that stands for something else here is changed, in the kit and wherever the rig names it
    const renamed = new Map<string, string>();
    const missing = <T extends { readonly id: string }>(theirs: readonly T[], ours: readonly T[]): T[] =>
      theirs.flatMap((item): T[] => {
        const same = ours.find((o) => isDeepStrictEqual({ ...o, id: '' }, { ...item, id: '' }));
        if (same !== undefined) {
          renamed.set(item.id, same.id);
          return [];
        }
        const id = ours.some((o) => o.id === item.id) ? randomUUID() : item.id;
        renamed.set(item.id, id);
        return [{ ...item, id }];
      });
    const cords = missing(file.kit.cords, context.kit);
    const gear = GEAR_LISTS.map(
      (list) => [list, missing<{ readonly id: string }>(file.kit[list], context[list])] as const,
    );
    for (const { id, ...cord } of cords) await this.kit.add(campId, cord, id);
    for (const [list, things] of gear) for (const thing of things) await this.gear.add(campId, list, thing, thing.id);
    // its paces stay those of whoever made it
    const maker = { id: randomUUID(), name: 'the file’s maker', body: file.settings.body, calibrations: {} };
    const { site, ...rig } = renameKit(
      takingIn(await this.people.all(), maker).rig(file.rig),
      (id) => renamed.get(id) ?? id,
    );
    // its ground comes along only where the camp has it
    const known = site !== undefined && (await this.places.ofCamp(campId)).some((p) => p.id === site.place);
    return this.create(campId, { name: file.name, note: file.note, document: known ? { ...rig, site } : rig });
  }

  /** What fits field by field must also fit together. */
  private async checked(campId: string, dto: Draft<RidgeRig>): Promise<Draft<RidgeRig>> {
    const { document } = dto;
    const context = await this.context(campId, document);
    const problems = rigProblems(document, context);
    if (problems.length > 0)
      throw new ProblemException({
        code: 'invalid',
        message: problems[0]!.message,
        fields: problems.map((p) => ({ field: `document.${p.field}`, message: p.message })),
      });
    return { name: dto.name, note: dto.note, document };
  }
}
