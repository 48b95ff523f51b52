import { z } from 'zod';
import { MOST_BINDINGS, bindingDocument } from '../cordage/index.js';
import type { Binding } from '../cordage/index.js';
import { UnknownVersion, atMost, bringUp, id, misfit, part, prose, words } from '../document/index.js';
import type { Described, Problem } from '../document/index.js';
import { checkPlace } from '../ground/index.js';
import type { Place } from '../ground/index.js';
import { kitDocument, misfitInKit, rigDocument } from '../rig/index.js';
import type { Kit, RidgeRig } from '../rig/index.js';
import { FileProblem } from './place-file.js';
import { PLACE_VERSIONS, RIG_VERSIONS, noteWith } from './versions.js';

export const CAMP_FORMAT = 'rough-bight/camp@2';

/** A camp's own name and what it is about. */
export const campDocument = part({ name: words('name of the camp', 1, 80), about: prose('about', 400) });
export type CampDraft = Described<typeof campDocument>;

/** A named document of a camp. */
export interface Named<D> {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  readonly document: D;
}

/** Everything of a camp. */
export interface CampContent extends CampDraft {
  readonly kit: Kit;
  /** Ids of the rigs that stand tonight; all of them where null. */
  readonly tonight: readonly string[] | null;
  /** What is bound with cord besides rigs. */
  readonly bindings: readonly Binding[];
  readonly places: readonly Named<Place>[];
  readonly rigs: readonly Named<RidgeRig>[];
}

const MANIFEST = 'manifest.json';
const KIT = 'kit.json';
/** Files of a camp at most. */
const MOST = 2000;

const manifestDocument = part({
  format: z.literal(CAMP_FORMAT, { error: `The format must be ${CAMP_FORMAT}.` }),
  name: words('name of the camp', 1, 80),
  about: prose('about', 400),
  kit: z.literal(KIT),
  tonight: z.array(id('rig')).max(MOST).optional(),
  bindings: atMost(bindingDocument, MOST_BINDINGS, `At most ${MOST_BINDINGS} bindings can be kept.`).optional(),
  places: z.array(words('file', 1, 200)).max(MOST),
  rigs: z.array(words('file', 1, 200)).max(MOST),
});
const namedOf = part({
  id: id('document'),
  name: words('name', 1, 80),
  note: prose('note', 400),
  document: z.unknown(),
});

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
/** "Landing gable" as landing-gable, with a number where that is taken. */
function fileName(folder: string, name: string, taken: ReadonlySet<string>): string {
  const plain =
    name
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '') || 'nameless';
  for (let k = 1; ; k++) {
    const path = `${folder}/${plain}${k === 1 ? '' : `-${k}`}.json`;
    if (!taken.has(path)) return path;
  }
}

/** A camp as files by their paths: a manifest, its kit, and each place and rig as a file of its own. */
export function campFiles(camp: CampContent): Readonly<Record<string, string>> {
  const files = new Map<string, string>();
  const put = (folder: string, list: readonly Named<unknown>[]): string[] =>
    list.map(({ id: own, name, note, document }) => {
      const path = fileName(folder, name, new Set(files.keys()));
      files.set(path, json({ id: own, name, note, document }));
      return path;
    });
  const places = put('places', camp.places);
  const rigs = put('rigs', camp.rigs);
  const { name, about, kit, tonight, bindings } = camp;
  return {
    [MANIFEST]: json({
      format: CAMP_FORMAT,
      name,
      about,
      kit: KIT,
      ...(tonight === null ? {} : { tonight }),
      ...(bindings.length === 0 ? {} : { bindings }),
      places,
      rigs,
    }),
    [KIT]: json(kit),
    ...Object.fromEntries(files),
  };
}

/**
 * Reads a camp's files, documents of older versions brought up.
 * @throws FileProblem naming the file, the field and what is allowed
 */
export function readCampFiles(files: Readonly<Record<string, string>>): CampContent {
  const refuse = (file: string, { field, message }: Problem): never => {
    throw new FileProblem(field === '' ? file : `${file}, ${field}`, message);
  };
  const parsed = (path: string): unknown => {
    const text = files[path];
    if (text === undefined) throw new FileProblem(path, 'is missing: take the camp’s file as it came.');
    try {
      return JSON.parse(text);
    } catch (error) {
      throw new FileProblem(path, `is not JSON: ${(error as Error).message}`);
    }
  };
  const manifest = parsed(MANIFEST);
  const wrong = misfit(manifestDocument, manifest);
  if (wrong !== null) return refuse(MANIFEST, wrong);
  const { name, about, tonight = null, bindings = [], places, rigs } = manifest as Described<typeof manifestDocument>;
  const kit = parsed(KIT);
  const unfit = misfit(kitDocument, kit) ?? misfitInKit(kit as Kit);
  if (unfit !== null) return refuse(KIT, unfit);
  const read = <D>(
    path: string,
    versions: Parameters<typeof bringUp>[0],
    check: (d: unknown) => Problem | null,
  ): Named<D> => {
    const value = parsed(path);
    const bad = misfit(namedOf, value);
    if (bad !== null) return refuse(path, bad);
    const named = value as Named<unknown>;
    try {
      const { document, lost } = bringUp(versions, named.document, 'document');
      const misfits = check(document);
      if (misfits !== null) return refuse(path, { ...misfits, field: `document.${misfits.field}` });
      return { ...named, note: lost.length === 0 ? named.note : noteWith(named.note, lost), document: document as D };
    } catch (error) {
      if (error instanceof UnknownVersion) return refuse(path, { field: error.field, message: error.message });
      throw error;
    }
  };
  return {
    name,
    about,
    kit: kit as CampContent['kit'],
    tonight,
    bindings,
    places: places.map((p) =>
      read<Place>(p, PLACE_VERSIONS, (d) => {
        const checked = checkPlace(d);
        return 'problem' in checked ? checked.problem : null;
      }),
    ),
    rigs: rigs.map((r) => read<RidgeRig>(r, RIG_VERSIONS, (d) => misfit(rigDocument, d))),
  };
}
