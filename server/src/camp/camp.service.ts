import { Inject, Injectable } from '@nestjs/common';
import { FileProblem, campFiles, readCampFiles } from '@rough-bight/core/formats';
import type { CampContent, CampDraft } from '@rough-bight/core/formats';
import { GEAR_LISTS } from '@rough-bight/core/rig';
import { asc, eq, inArray } from 'drizzle-orm';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { randomUUID } from 'node:crypto';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';
import { camps, kitCords, kitGear, placeRevisions, places, rigRevisions, rigs } from '../db/schema.js';
import { ProblemException, notFound } from '../errors/problem.js';
import { GearService } from '../gear/gear.service.js';
import { KitService } from '../kit/kit.service.js';
import { PersonService } from '../person/person.service.js';
import { takingIn } from '../person/strangers.js';
import { PlaceService } from '../place/place.service.js';
import { RigService } from '../rig/rig.service.js';

export type CampRow = typeof camps.$inferSelect;

/** A camp unpacked may be so large, bytes: a thousand rigs are a tenth of it. */
const MOST = 64 * 1024 * 1024;
/** A day long ago, so that the same camp gives the same bytes. */
const PACKED = new Date(1980, 0, 2);

@Injectable()
export class CampService {
  constructor(
    @Inject(STORE) private readonly store: Store,
    @Inject(RigService) private readonly rigs: RigService,
    @Inject(PlaceService) private readonly places: PlaceService,
    @Inject(KitService) private readonly kit: KitService,
    @Inject(GearService) private readonly gear: GearService,
    @Inject(PersonService) private readonly people: PersonService,
  ) {}

  all(): Promise<CampRow[]> {
    return this.store.db.select().from(camps).orderBy(asc(camps.createdAt), asc(camps.id));
  }

  async row(id: string): Promise<CampRow> {
    const [camp] = await this.store.db.select().from(camps).where(eq(camps.id, id));
    if (camp === undefined) throw notFound('camp of that name');
    return camp;
  }

  async make(draft: CampDraft): Promise<CampRow> {
    const [made] = await this.store.db
      .insert(camps)
      .values({ id: randomUUID(), name: draft.name, about: draft.about })
      .returning();
    this.store.touched();
    return made!;
  }

  /** Names it anew, puts it away or brings it back, says what stands tonight. */
  async change(
    id: string,
    part: Partial<Pick<CampRow, 'name' | 'about' | 'away' | 'tonight' | 'bindings' | 'learners'>>,
  ): Promise<CampRow> {
    const [changed] = await this.store.db.update(camps).set(part).where(eq(camps.id, id)).returning();
    if (changed === undefined) throw notFound('camp of that name');
    this.store.touched();
    return changed;
  }

  /** Deletes a camp with everything in it. Only one that was put away before: nobody loses a camp by one touch. */
  async remove(id: string): Promise<void> {
    const camp = await this.row(id);
    if (!camp.away)
      throw new ProblemException({
        code: 'conflict',
        message: `${camp.name} is not put away. Put it away first, then delete it.`,
        fields: [],
      });
    await this.store.db.delete(camps).where(eq(camps.id, id));
    this.store.touched();
  }

  /** Everything of it. */
  async content(id: string): Promise<CampContent> {
    const { name, about, tonight, bindings } = await this.row(id);
    const [cords, gear, rows, grounds] = await Promise.all([
      this.kit.ofCamp(id),
      this.gear.ofCamp(id),
      this.rigs.ofCamp(id),
      this.places.ofCamp(id),
    ]);
    const named = <D>(list: readonly { id: string; name: string; note: string; document: D }[]) =>
      list.map(({ id: own, name: called, note, document }) => ({ id: own, name: called, note, document }));
    return {
      name,
      about,
      tonight,
      bindings,
      kit: { cords, ...gear },
      places: named(grounds),
      rigs: named(rows),
    };
  }

  async copy(id: string): Promise<CampRow> {
    const content = await this.content(id);
    return this.put({ ...content, name: `${content.name}, again`.slice(0, 80) });
  }

  /** All of it as one file: a zip of open formats with a manifest. The same camp gives the same bytes. */
  async file(id: string): Promise<Uint8Array> {
    const files = campFiles(await this.content(id));
    return zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])), {
      mtime: PACKED,
    });
  }

  /** Takes in a camp's file as a camp of its own. @throws ProblemException naming file, field and remedy */
  async takeIn(bytes: Uint8Array): Promise<CampRow> {
    const refuse = (message: string, field = ''): never => {
      throw new ProblemException({
        code: 'invalid',
        message,
        fields: field === '' ? [] : [{ field, message }],
      });
    };
    let files: Record<string, string>;
    try {
      let size = 0;
      const unpacked = unzipSync(bytes, {
        filter: ({ originalSize, name }) => {
          size += originalSize;
          if (size > MOST) throw new RangeError('too large');
          return name.endsWith('.json');
        },
      });
      files = Object.fromEntries(Object.entries(unpacked).map(([path, data]) => [path, strFromU8(data)]));
    } catch (error) {
      return refuse(
        error instanceof RangeError
          ? `It unpacks to more than ${MOST / 1024 / 1024} MB: that is no camp of ours.`
          : 'This is no camp file: it is not a zip. Choose a file that ends in .camp.zip.',
      );
    }
    try {
      return await this.put(readCampFiles(files));
    } catch (error) {
      if (error instanceof FileProblem) return refuse(error.message, error.where);
      throw error;
    }
  }

  /** Stores a whole camp. Ids that are free are kept; where one is taken, what refers to it is changed with it. */
  private async put(content: CampContent): Promise<CampRow> {
    const { db } = this.store;
    const taken = async (table: typeof rigs | typeof places, ids: readonly string[]): Promise<Set<string>> =>
      ids.length === 0
        ? new Set()
        : new Set(
            (
              await db
                .select({ id: table.id })
                .from(table)
                .where(inArray(table.id, [...ids]))
            ).map((r) => r.id),
          );
    const [rigsTaken, placesTaken] = await Promise.all([
      taken(
        rigs,
        content.rigs.map((r) => r.id),
      ),
      taken(
        places,
        content.places.map((p) => p.id),
      ),
    ]);
    // files of before people were told apart say no names: theirs are the first one’s
    const known = await this.people.all();
    const measured = takingIn(known, await this.people.asked(undefined));
    const placeIds = new Map(content.places.map((p) => [p.id, placesTaken.has(p.id) ? randomUUID() : p.id]));
    const rigIds = new Map(content.rigs.map((r) => [r.id, rigsTaken.has(r.id) ? randomUUID() : r.id]));
    const made = await db.transaction(async (tx) => {
      const campId = randomUUID();
      const [row] = await tx
        .insert(camps)
        .values({
          id: campId,
          name: content.name,
          about: content.about,
          bindings: content.bindings,
          // of rigs that are not in it nothing stands
          tonight: content.tonight?.flatMap((id) => rigIds.get(id) ?? []) ?? null,
        })
        .returning();
      for (const cord of content.kit.cords) await tx.insert(kitCords).values({ campId, ...cord });
      for (const kind of GEAR_LISTS)
        for (const document of content.kit[kind])
          await tx.insert(kitGear).values({ id: document.id, campId, kind, document });
      for (const { id, name, note, document: drawn } of content.places) {
        const document = measured.place(drawn);
        const own = placeIds.get(id)!;
        await tx.insert(places).values({ id: own, campId, name, note, document });
        await tx.insert(placeRevisions).values({ placeId: own, version: 1, name, note, document });
      }
      for (const { id, name, note, document: tied } of content.rigs) {
        const rig = measured.rig(tied);
        const own = rigIds.get(id)!;
        const place = rig.site === undefined ? undefined : placeIds.get(rig.site.place);
        const document = place === undefined ? rig : { ...rig, site: { ...rig.site!, place } };
        await tx.insert(rigs).values({ id: own, campId, name, note, document });
        await tx.insert(rigRevisions).values({ rigId: own, version: 1, name, note, document });
      }
      return row!;
    });
    this.store.touched();
    return made;
  }
}
