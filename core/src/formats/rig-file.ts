import { z } from 'zod';
import { bedKitProblems, strapsProblems } from '../bed/index.js';
import { CORDS } from '../catalogue/index.js';
import { checkPlace } from '../ground/index.js';
import type { Place } from '../ground/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import { GEAR_LISTS, RIDGE_FORMAT, rigProblems, usedBy } from '../rig/index.js';
import type {
  BedEnd,
  Gear,
  GearList,
  Guy,
  GuyAnchor,
  KitCord,
  PitchSurroundings,
  RidgeRig,
  RoofHitch,
} from '../rig/index.js';
import { roofProblems } from '../roof/index.js';
import { DEFAULT_REQUIRED } from '../strength/index.js';
import type { Required } from '../strength/index.js';
import { FileProblem, checkSize } from './place-file.js';
import {
  RIG_FORMAT,
  bedKitSchema,
  bedSchema,
  pegsSchema,
  pitchSchema,
  rigFileSchema,
  roofSchema,
  strapsSchema,
} from './rig-schema.js';

/** A whole rig as a file: what is tied, the part of the kit it uses, the measures and margins it is judged by, its ground. */
export interface RigFile {
  readonly format: typeof RIG_FORMAT;
  readonly name: string;
  readonly note: string;
  readonly rig: RidgeRig;
  readonly kit: { readonly cords: readonly KitCord[] } & Gear;
  readonly settings: { readonly body: BodyMeasures; readonly required: Required };
  readonly place: Place | null;
}

/** Body measures of nobody in particular, m: for files that bring none. Judgement. */
const SOMEBODY: BodyMeasures = {
  pace: 0.75,
  paceSpread: 0.05,
  foot: 0.27,
  handSpan: 0.21,
  armSpan: 1.72,
  waist: 1.02,
  elbow: 1.08,
  chest: 1.25,
  shoulder: 1.42,
  brow: 1.62,
  reach: 2.1,
};

const BODY_KEYS = Object.keys(SOMEBODY);

/** A field as a person finds it: `rig.pitch.guy.haul`. */
const path = (parts: readonly PropertyKey[]): string => (parts.length === 0 ? 'file' : parts.map(String).join('.'));

function firstIssue(error: z.ZodError): { readonly field: string; readonly problem: string } {
  const issue = error.issues[0]!;
  if (issue.code === 'unrecognized_keys') {
    const field = path([...issue.path, issue.keys[0]!]);
    return { field, problem: 'is no field of this format. Take it out, or check its spelling.' };
  }
  if (issue.code === 'invalid_type' && issue.input === undefined)
    return { field: path(issue.path), problem: 'is missing.' };
  return { field: path(issue.path), problem: issue.message };
}

/** Brings older files up to this version, one step after another. Each takes the version before. */
const RIG_2 = 'rough-bight/rig@2';
const MIGRATIONS: Readonly<Record<string, (old: Record<string, unknown>) => Record<string, unknown>>> = {
  // before beds: its kit held none
  'rough-bight/rig@1': (old) => ({
    ...old,
    format: RIG_2,
    kit: typeof old['kit'] === 'object' ? { ...old['kit'], beds: [], straps: [] } : old['kit'],
  }),
  // before guys and back-stays could share a tree with something else: nothing in it changes
  [RIG_2]: (old) => ({ ...old, format: RIG_FORMAT }),
  // a bare ridgeline, before rigs were files: its kit is unknown, so its cord is a catalogue's first of that name
  [RIDGE_FORMAT]: (old) => ({
    format: RIG_FORMAT,
    name: 'A ridgeline',
    note: '',
    rig: old,
    kit: {
      cords: [
        {
          id: typeof old['cord'] === 'string' ? old['cord'] : 'cord',
          name: 'cord of an older file, take your own',
          cord: CORDS.some((c) => c.id === old['cord']) ? old['cord'] : CORDS[0]!.id,
          length: 30,
          sun: 'season',
          wear: 'sound',
        },
      ],
      roofs: [],
      pegs: [],
      beds: [],
      straps: [],
    },
    settings: { body: SOMEBODY, required: DEFAULT_REQUIRED },
    place: null,
  }),
};

/**
 * Reads a rig file of this version or an older one.
 * @throws FileProblem naming the field and what is allowed
 */
export function readRigFile(text: string): RigFile {
  checkSize(text);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    throw new FileProblem('file', `is not JSON: ${(error as Error).message}`);
  }
  for (let steps = 0; steps < 10; steps++) {
    const format = (value as { format?: unknown } | null)?.format;
    if (format === RIG_FORMAT) break;
    const migrate = typeof format === 'string' && Object.hasOwn(MIGRATIONS, format) ? MIGRATIONS[format]! : undefined;
    if (migrate === undefined)
      throw new FileProblem(
        'format',
        `${JSON.stringify(format) ?? 'is missing'}; must be "${RIG_FORMAT}" or an older one: ${Object.keys(MIGRATIONS).join(', ')}`,
      );
    value = migrate(value as Record<string, unknown>);
  }
  const parsed = rigFileSchema.safeParse(value, { reportInput: true });
  if (!parsed.success) {
    const { field, problem } = firstIssue(parsed.error);
    throw new FileProblem(field, problem);
  }
  const file = value as RigFile;
  for (const key of BODY_KEYS)
    if (typeof (file.settings.body as unknown as Record<string, unknown>)[key] !== 'number')
      throw new FileProblem(`settings.body.${key}`, 'is missing.');
  if (file.place !== null) {
    const checked = checkPlace(file.place);
    if ('problem' in checked) throw new FileProblem(`place.${checked.field}`, checked.problem);
  }
  for (const list of GEAR_LISTS)
    file.kit[list].forEach((thing, i) => {
      const bad = FITS[list](thing as never)[0];
      if (bad !== undefined) throw new FileProblem(`kit.${list}.${i}.${bad.field}`, bad.message);
    });
  const around = surroundingsOf(file);
  const bad = rigProblems(file.rig, around)[0];
  if (bad !== undefined) throw new FileProblem(`rig.${bad.field}`, bad.message);
  return file;
}

/** What the fields of a thing of the kit allow but the whole does not. */
const FITS: {
  readonly [L in GearList]: (thing: Gear[L][number]) => readonly { readonly field: string; readonly message: string }[];
} = { roofs: roofProblems, pegs: () => [], beds: bedKitProblems, straps: strapsProblems };

/** What the rig of a file is judged with. */
export function surroundingsOf(file: RigFile): PitchSurroundings {
  return {
    kit: file.kit.cords,
    roofs: file.kit.roofs,
    pegs: file.kit.pegs,
    beds: file.kit.beds,
    straps: file.kit.straps,
    body: file.settings.body,
    required: file.settings.required,
  };
}

/** The same rig with every id of the kit changed; in another's kit nothing was left at home. */
export function renameKit(rig: RidgeRig, to: (id: string) => string): RidgeRig {
  const { pitch, bed } = rig;
  const anchored = (a: GuyAnchor): GuyAnchor => (a.kind === 'peg' ? { ...a, pegs: to(a.pegs) } : a);
  const guy = <G extends Partial<Guy>>(g: G): G => ({
    ...g,
    ...(g.cord === undefined ? {} : { cord: to(g.cord) }),
    ...(g.anchor === undefined ? {} : { anchor: anchored(g.anchor) }),
  });
  const hitch = (h: RoofHitch): RoofHitch => ({ ...h, cord: to(h.cord) });
  const end = (e: BedEnd): BedEnd =>
    e.anchor.kind === 'pole'
      ? { ...e, anchor: { ...e.anchor, cord: to(e.anchor.cord), anchor: anchored(e.anchor.anchor) } }
      : e;
  return {
    ...rig,
    ...(rig.home === undefined ? {} : { home: [] }),
    cord: to(rig.cord),
    ...(pitch === undefined
      ? {}
      : {
          pitch: {
            ...pitch,
            roof: to(pitch.roof),
            hitches: [hitch(pitch.hitches[0]), hitch(pitch.hitches[1])],
            ...(pitch.pulls === undefined ? {} : { pulls: pitch.pulls.map((p) => ({ ...p, pegs: to(p.pegs) })) }),
            guy: guy(pitch.guy),
            own: Object.fromEntries(Object.entries(pitch.own).map(([key, g]) => [key, guy(g)])),
          },
        }),
    ...(bed === undefined
      ? {}
      : {
          bed: {
            ...bed,
            bed: to(bed.bed),
            straps: to(bed.straps),
            ends: [end(bed.ends[0]), end(bed.ends[1])],
            aside: bed.aside === null ? null : { ...bed.aside, cord: to(bed.aside.cord), pegs: to(bed.aside.pegs) },
          },
        }),
  };
}

/** A rig as a file, with the part of the kit it uses. */
export function rigFile(
  named: { readonly name: string; readonly note: string; readonly rig: RidgeRig },
  around: PitchSurroundings,
  place: Place | null,
): RigFile {
  const used = usedBy(named.rig);
  const { body, required } = around;
  return {
    format: RIG_FORMAT,
    name: named.name,
    note: named.note,
    rig: named.rig,
    kit: {
      cords: around.kit.filter((c) => used.cords.has(c.id)),
      roofs: around.roofs.filter((r) => used.roofs.has(r.id)),
      pegs: around.pegs.filter((p) => used.pegs.has(p.id)),
      beds: around.beds.filter((b) => used.beds.has(b.id)),
      straps: around.straps.filter((x) => used.straps.has(x.id)),
    },
    settings: {
      body: Object.fromEntries(
        BODY_KEYS.map((k) => [k, (body as unknown as Record<string, number>)[k]]),
      ) as unknown as BodyMeasures,
      required,
    },
    place,
  };
}

/** The text of a rig file; read again it is the same, to the last digit. */
export function writeRigFile(file: RigFile): string {
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** The published JSON Schema of the format (draft 2020-12). */
export function rigFileJsonSchema(): object {
  return z.toJSONSchema(rigFileSchema, { target: 'draft-2020-12', reused: 'ref' });
}

/** What is wrong with a value as a pitch, a roof or pegs of the kit; null when nothing. */
function wrong(schema: z.ZodType, value: unknown): { readonly field: string; readonly problem: string } | null {
  const parsed = schema.safeParse(value, { reportInput: true });
  return parsed.success ? null : firstIssue(parsed.error);
}
export const wrongBed = (value: unknown): ReturnType<typeof wrong> => wrong(bedSchema, value);
export const wrongPitch = (value: unknown): ReturnType<typeof wrong> => wrong(pitchSchema, value);
const GEAR = { roofs: roofSchema, pegs: pegsSchema, beds: bedKitSchema, straps: strapsSchema } as const;
/** What is wrong with a value as a thing of this list of the kit, field by field and as a whole; null when nothing. */
export function wrongGear(list: GearList, value: unknown): ReturnType<typeof wrong> {
  const field = wrong(GEAR[list], value);
  if (field !== null) return field;
  const whole = FITS[list](value as never)[0];
  return whole === undefined ? null : { field: whole.field, problem: whole.message };
}
