import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Person, Place } from '@rough-bight/core/ground';
import { GEAR_LISTS, pacedFirst } from '@rough-bight/core/rig';
import type { Gear, KitCord, RidgeRig } from '@rough-bight/core/rig';
import { calibratedBody, measuredFirst } from '@rough-bight/core/ground';
import type { LogEntry } from '@rough-bight/core/log';
import type { Learner } from '@rough-bight/core/teach';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';
import { camps, logEntries, kitCords, kitGear, people, placeRevisions, places, rigRevisions, rigs } from './schema.js';
import type { Store } from './database.js';

/** A camp as a file: `rough-bight/camp@1`. */
export interface CampFile extends Gear {
  readonly format: 'rough-bight/camp@1';
  readonly camp: { readonly name: string; readonly about: string; readonly tonight?: readonly string[] };
  readonly person: Omit<Person, 'id'>;
  /** Who else measures there. */
  readonly assistants: readonly Person[];
  readonly kit: readonly KitCord[];
  readonly places: readonly { readonly name: string; readonly note: string; readonly place: Place }[];
  readonly rigs: readonly { readonly name: string; readonly note: string; readonly rig: RidgeRig }[];
}

/** Whose camp the demo is. */
const PERSON_ID = 'me';

/** "Landing gable" as `landing-gable`. */
export function slug(name: string): string {
  return name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
}

const example = (name: string): unknown => {
  const here = dirname(fileURLToPath(import.meta.url));
  return JSON.parse(readFileSync(join(here, '../../../examples', name), 'utf8'));
};
export const readDemo = (): CampFile => example('sallow-ait.json') as CampFile;

/** Who learns in the demo camp, and what they guessed and pitched there; made up. */
interface ClassFile {
  readonly learners: readonly Learner[];
  readonly log: readonly LogEntry[];
}
export const readClass = (): ClassFile => example('sallow-ait-class.json') as ClassFile;

/** Fills an empty database with the demo camp. Returns true when it did. */
export async function seed(
  store: Store,
  file: CampFile = readDemo(),
  { learners, log }: ClassFile = readClass(),
): Promise<boolean> {
  return store.db.transaction(async (tx) => {
    const known = await tx.select({ id: people.id }).from(people).limit(1);
    if (known.length > 0) return false;
    const asCalibrated = (p: Person): Person => ({ ...p, body: calibratedBody(p.body, p.calibrations) });
    const instructor = asCalibrated({ id: PERSON_ID, ...file.person });
    for (const person of [instructor, ...file.assistants.map(asCalibrated)])
      await tx.insert(people).values({
        ...person,
        required: DEFAULT_REQUIRED,
        units: { length: 'm', force: 'N' },
      });
    const campId = slug(file.camp.name);
    await tx.insert(camps).values({ id: campId, ...file.camp, learners });
    await tx.insert(logEntries).values(log.map((entry) => ({ campId, ...entry })));
    for (const cord of file.kit) await tx.insert(kitCords).values({ campId, ...cord });
    for (const kind of GEAR_LISTS)
      for (const document of file[kind]) await tx.insert(kitGear).values({ id: document.id, campId, kind, document });
    for (const { name, note, rig: tied } of file.rigs) {
      const rig = pacedFirst(tied, instructor);
      const id = slug(name);
      await tx.insert(rigs).values({ id, campId, name, note, document: rig });
      await tx.insert(rigRevisions).values({ rigId: id, version: 1, name, note, document: rig });
    }
    for (const { name, note, place: drawn } of file.places) {
      const place = measuredFirst(drawn, instructor);
      const id = slug(name);
      await tx.insert(places).values({ id, campId, name, note, document: place });
      await tx.insert(placeRevisions).values({ placeId: id, version: 1, name, note, document: place });
    }
    store.touched();
    return true;
  });
}
