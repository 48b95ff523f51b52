import { CORDS } from '../catalogue/index.js';
import { bringUp } from '../document/index.js';
import type { BroughtUp, Raw, Versions } from '../document/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import { PLACE_FORMAT } from '../ground/index.js';
import { RIDGE_FORMAT } from '../rig/index.js';
import { DEFAULT_REQUIRED, REQUIRED_LIMITS, RULES, USES } from '../strength/index.js';

/** The format of a whole rig's file. */
export const RIG_FORMAT = 'rough-bight/rig@4';

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

const table = (value: unknown): Raw => (typeof value === 'object' && value !== null ? (value as Raw) : {});

/** The roof that an older rig tells on its bare line; null where it has none, or a pitched one stood for it. */
function bareRoof(old: Raw): Raw | null {
  const roof = table(old['roof']);
  return roof['on'] === true && old['pitch'] === undefined ? roof : null;
}

const ENDS = ['one end of the roof', 'the other end of the roof'];

/** An older rig with its bare roof as things hung, each half of it: pulls as it did, dry, wet and in wind. */
function withoutBareRoof(old: Raw): Raw {
  const rig = Object.fromEntries(Object.entries(old).filter(([key]) => key !== 'roof'));
  const roof = bareRoof(old);
  const hung = Array.isArray(old['hung']) ? (old['hung'] as unknown[]) : [];
  const half = (x: unknown): unknown => (typeof x === 'number' ? x / 2 : x);
  const at = roof !== null && Array.isArray(roof['at']) ? (roof['at'] as unknown[]) : [];
  return {
    ...rig,
    hung: [
      ...hung.map((h) => ({ ...table(h), wetMass: table(h)['mass'], area: 0 })),
      ...(roof === null
        ? []
        : ENDS.map((name, i) => ({
            id: `roof-${i}`,
            name,
            mass: half(roof['mass']),
            wetMass: half(roof['wetMass']),
            area: half(roof['area']),
            at: at[i],
          }))),
    ],
  };
}

/** An older rig with its fields by their later names; what held the cord aside was always a peg in line, leaning as usual. */
function withSideStay(old: Raw): Raw {
  const { rule, bed, ...rig } = old;
  const { aside, ...rest } = table(bed);
  const stay = (held: Raw): Raw => {
    const { pegs, ...others } = held;
    return { ...others, anchor: { kind: 'peg', pegs, inLine: 1, lean: 0.35 } };
  };
  return {
    ...rig,
    ...(rule === undefined ? {} : { designRule: rule }),
    ...(bed === undefined
      ? {}
      : { bed: aside === undefined ? bed : { ...rest, sideStay: aside === null ? null : stay(table(aside)) } }),
  };
}

/** A root of before it was measured. */
const isBareRoot = (x: Raw): boolean => x['kind'] === 'root' && x['thickness'] === undefined;
const hasRoots = (x: unknown): boolean =>
  typeof x === 'object' && x !== null && (isBareRoot(x as Raw) || Object.values(x).some(hasRoots));
/** The same with every such root as thick as a thumb, and a hand span of it to be seen. */
function withRoots(x: unknown): unknown {
  if (Array.isArray(x)) return x.map(withRoots);
  if (typeof x !== 'object' || x === null) return x;
  const all = Object.fromEntries(Object.entries(x).map(([key, value]) => [key, withRoots(value)]));
  return isBareRoot(x as Raw) ? { ...all, thickness: 0.03, free: 0.3 } : all;
}

/** A rig as it is stored and edited. */
export const RIG_VERSIONS: Versions = {
  now: RIDGE_FORMAT,
  steps: [
    {
      // when a bare line carried "a roof" of its own, a mass and an area at two hitches: it is two things hung
      from: 'rough-bight/ridge@1',
      to: 'rough-bight/ridge@2',
      bring: withoutBareRoof,
      lost: (old) =>
        bareRoof(old) === null
          ? null
          : 'The roof on its bare line is told as two things hung now, one at each hitch and each half of it; pitch a roof of the kit to have it guyed.',
    },
    {
      // when the design rule was a rule, and the side stay of a bed a cord aside on a peg
      from: 'rough-bight/ridge@2',
      to: 'rough-bight/ridge@3',
      bring: withSideStay,
    },
    {
      // when nothing was known of a root that held a line
      from: 'rough-bight/ridge@3',
      to: RIDGE_FORMAT,
      bring: (old) => withRoots(old) as Raw,
      lost: (old) =>
        hasRoots(old)
          ? 'What a root holds is counted now, as of one as thick as a thumb that shows for a hand span: look at yours, and say.'
          : null,
    },
  ],
};
/** A place as it is stored and edited. */
export const PLACE_VERSIONS: Versions = { now: PLACE_FORMAT, steps: [] };

/** Margins asked, each moved to the nearest that may be asked. */
function margins(settings: unknown): { readonly settings: unknown; readonly moved: boolean } {
  const { required } = table(settings);
  if (typeof required !== 'object' || required === null) return { settings, moved: false };
  let moved = false;
  const allowed = Object.fromEntries(
    Object.entries(required).map(([rule, asked]) => {
      const limit = RULES.find((r) => r === rule);
      if (limit === undefined || typeof asked !== 'object' || asked === null) return [rule, asked as unknown];
      const { min, max } = REQUIRED_LIMITS[limit];
      const each = Object.entries(asked as Raw).map(([use, x]) => {
        if (!USES.some((u) => u === use) || typeof x !== 'number') return [use, x];
        const within = Math.min(max, Math.max(min, x));
        moved ||= within !== x;
        return [use, within];
      });
      return [rule, Object.fromEntries(each) as unknown];
    }),
  );
  return { settings: { ...table(settings), required: allowed }, moved };
}

/** A bare ridgeline, as it was before rigs were files: its kit is unknown, so its cord is a catalogue's first of that name. */
const asFile = (old: Raw): Raw => ({
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
});

/** A whole rig as a file. */
export const FILE_VERSIONS: Versions = {
  now: RIG_FORMAT,
  steps: [
    ...[...RIG_VERSIONS.steps.map((s) => s.from), RIDGE_FORMAT].map((from) => ({
      from,
      to: 'rough-bight/rig@3',
      bring: asFile,
    })),
    {
      // before beds: its kit held none
      from: 'rough-bight/rig@1',
      to: 'rough-bight/rig@2',
      bring: (old) => ({
        ...old,
        kit: typeof old['kit'] === 'object' ? { ...old['kit'], beds: [], straps: [] } : old['kit'],
      }),
    },
    {
      // before guys and back-stays could share a tree with something else: nothing in it changes
      from: 'rough-bight/rig@2',
      to: 'rough-bight/rig@3',
      bring: (old) => old,
    },
    {
      // when files could ask for margins that the screen did not allow
      from: 'rough-bight/rig@3',
      to: RIG_FORMAT,
      bring: (old) => ({ ...old, settings: margins(old['settings']).settings }),
      lost: (old) =>
        margins(old['settings']).moved ? 'A margin that it asked for may no longer be asked, and was moved.' : null,
    },
  ],
};

/** Longest note of a document, in characters. */
const MOST_NOTE = 400;

/** A note with what could not be kept said after it; what was written stays whole as far as there is room. */
export function noteWith(note: string, lost: readonly string[]): string {
  const said = lost.join(' ').slice(0, MOST_NOTE / 2);
  const kept = note.length + said.length + 1 > MOST_NOTE ? `${note.slice(0, MOST_NOTE - said.length - 3)}…` : note;
  return kept === '' ? said : `${kept}\n${said}`;
}

/**
 * A file with the rig and the place in it brought up, each by its own chain.
 * @throws UnknownVersion
 */
export function bringUpFile(value: unknown): BroughtUp {
  const { document, from, lost } = bringUp(FILE_VERSIONS, value);
  const file = document as Raw;
  // what is not there is left for the check to name
  const within = (versions: Versions, key: string): BroughtUp | null =>
    typeof file[key] === 'object' && file[key] !== null ? bringUp(versions, file[key], key) : null;
  const [rig, place] = [within(RIG_VERSIONS, 'rig'), within(PLACE_VERSIONS, 'place')];
  return {
    document: {
      ...file,
      ...(rig === null ? {} : { rig: rig.document }),
      ...(place === null ? {} : { place: place.document }),
    },
    from,
    lost: [...lost, ...(rig?.lost ?? []), ...(place?.lost ?? [])],
  };
}
