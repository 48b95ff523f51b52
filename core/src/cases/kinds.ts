import { SNOWS } from '../catalogue/index.js';
import type { Amount, Phrase } from '../quantity/index.js';
import { amount, metres, phrase } from '../quantity/index.js';
import { WIND_LAWS, WIND_LAW_IDS, compassPoint } from '../weather/index.js';
import type { CaseSource, CaseWind, Environment, LoadCase, Occupancy } from './load-case.js';
import { BRIMFUL } from './load-case.js';

/** What part of a rig a case is asked of. */
export type CasePart = 'line' | 'roof' | 'bed';

/** A gust to judge under: speed at the roof, m/s, and the bearings it is judged from, rad; null across a bare line. */
export interface Gust {
  readonly speed: number;
  readonly bearings: readonly number[] | null;
}

/** One of a kind's cases, as far as it differs from a calm dry rig just tied off with nobody in it. */
interface Own {
  readonly environment?: Partial<Environment>;
  readonly occupancy?: Occupancy;
  readonly since?: number;
  /** Its id, where the kind has more than one. */
  readonly id?: string;
  /** What a person calls it. */
  readonly called?: string;
}

/** Everything about one kind of case: adding one is an entry here. */
interface Kind {
  readonly of: readonly CasePart[];
  /** Its cases for a rig; none where the rig does not come to it. */
  readonly cases: (rig: CaseSource, gust: Gust | null) => readonly Own[];
  readonly name: (c: LoadCase) => string;
  /** As the end of a sentence: "lets go first in a gust". */
  readonly said: (c: LoadCase) => string;
  /** "four hours on, dry". */
  readonly when: (c: LoadCase, rig: CaseSource) => Phrase;
}

export const HOUR = 3600;
/** How long a bed is lain in: what creeps does so for this long, s. */
export const NIGHT = 8 * HOUR;
/** Ten hours on, everything is soaked through, s. */
const SOAKED = 10 * HOUR;

const words = (text: string) => () => text;
const plain = (text: string) => () => phrase`${text}`;
const once =
  (own: Own = {}) =>
  (): readonly Own[] => [own];
const said = (text: string): Pick<Kind, 'name' | 'said'> => ({ name: words(text), said: words(text) });

/** A gust's cases, by every law from every bearing; across a bare line one. */
const gusts =
  (wet: boolean) =>
  ({ hung }: CaseSource, gust: Gust | null): readonly Own[] => {
    if (gust === null) return [];
    const since = wet ? SOAKED : 0;
    const { speed, bearings } = gust;
    if (bearings === null)
      return hung.some((h) => h.area > 0)
        ? [{ environment: { wet, wind: { speed, from: 0, law: 'plate', broadside: true } }, since }]
        : [];
    return WIND_LAW_IDS.flatMap((law) => bearings.map((from) => gustOwn({ speed, from, law }, wet)));
  };

function gustOwn(wind: CaseWind, wet: boolean): Own {
  const degrees = ((wind.from * 180) / Math.PI).toFixed(1);
  return {
    id: `${wet ? 'wet-gust' : 'gust'} ${degrees} ${wind.law}`,
    environment: { wind, wet },
    since: wet ? SOAKED : 0,
  };
}

const gustWords: Pick<Kind, 'name' | 'said' | 'when'> = {
  name: ({ environment: { wind, wet } }) =>
    wind!.broadside === true
      ? `gust, ${wet ? 'soaked' : 'dry'}`
      : `gust from the ${compassPoint(wind!.from, 16)}, ${wet ? 'soaked, ' : ''}${WIND_LAWS[wind!.law].said}`,
  said: ({ environment: { wind, wet } }) =>
    wind!.broadside === true
      ? `in a gust${wet ? ', soaked' : ''}`
      : `in a gust from the ${compassPoint(wind!.from, 16)}${wet ? ', soaked' : ''}`,
  when: ({ environment: { wind, wet } }) =>
    phrase`${wind!.broadside === true ? 'a gust ' : ''}on the ${wet ? 'soaked' : 'tight dry'} ${wind!.broadside === true ? 'line' : 'rig'}`,
};

const fall = (rig: CaseSource): Amount => metres(rig.bed?.drop ?? 0);

/** Every kind of case, in the order in which they are told. */
export const CASE_KINDS = {
  pitched: { of: ['line', 'roof'], cases: once(), ...said('as pitched'), when: plain('just tied off, dry') },
  settled: {
    of: ['line', 'roof'],
    cases: once({ since: 1200 }),
    ...said('after twenty minutes'),
    when: plain('dry, relaxed a little'),
  },
  evening: {
    of: ['line', 'roof'],
    cases: once({ since: 4 * HOUR }),
    name: words('at bedtime'),
    said: words('by bedtime'),
    when: plain('four hours on, dry'),
  },
  wet: {
    of: ['line', 'roof'],
    cases: once({ since: SOAKED, environment: { wet: true, rain: BRIMFUL } }),
    name: words('wet night'),
    said: words('on a wet night'),
    when: plain('ten hours on, soaked, low spots full'),
  },
  rain: {
    of: ['roof'],
    cases: once({ environment: { rain: BRIMFUL } }),
    name: words('downpour'),
    said: words('in a downpour'),
    when: plain('on the rig as pitched, low spots full'),
  },
  sway: {
    of: ['line', 'roof'],
    cases: (rig) => (rig.sway > 0 ? [{ environment: { sway: rig.sway } }] : []),
    name: words('trunks swaying apart'),
    said: words('when the trunks sway'),
    when: plain('on the tight dry rig'),
  },
  snow: {
    of: ['roof'],
    cases: ({ pitch }) =>
      pitch?.snow !== undefined && pitch.snow.depth > 0
        ? [{ since: SOAKED, environment: { snow: SNOWS[pitch.snow.feel].density.typical * pitch.snow.depth } }]
        : [],
    name: words('under snow'),
    said: words('under the snow'),
    when: (_, { pitch }) => phrase`${SNOWS[pitch!.snow!.feel].name}, relaxed a night`,
  },
  gust: { of: ['line', 'roof'], cases: gusts(false), ...gustWords },
  'wet-gust': { of: ['line', 'roof'], cases: gusts(true), ...gustWords },
  'own-gust': {
    of: ['roof'],
    cases: ({ pitch }) =>
      (pitch?.gusts ?? []).flatMap(({ id, name, speed, from, wet }) =>
        WIND_LAW_IDS.map((law) => ({
          ...gustOwn({ speed, from, law }, wet),
          id: `own-gust ${id} ${law}`,
          called: name,
        })),
      ),
    name: (c) => `${c.called!}, ${WIND_LAWS[c.environment.wind!.law].said}`,
    said: (c) => `in “${c.called!}”`,
    when: ({ environment: { wind, wet } }) =>
      phrase`a gust of ${amount(wind!.speed, 'speed')} from the ${compassPoint(wind!.from, 16)} on the ${wet ? 'soaked' : 'tight dry'} rig`,
  },
  lain: {
    of: ['roof'],
    cases: ({ bed }) =>
      bed === undefined
        ? []
        : [{ occupancy: 'lying' }, { id: 'lain-wet', occupancy: 'lying', since: SOAKED, environment: { wet: true } }],
    name: ({ environment: { wet } }) => `someone in the bed${wet ? ', soaked' : ''}`,
    said: ({ environment: { wet } }) => `with someone in the bed${wet ? ', soaked' : ''}`,
    when: ({ environment: { wet } }) => phrase`the trees drawn together, ${wet ? 'soaked' : 'dry'}`,
  },
  empty: { of: ['bed'], cases: once(), ...said('empty'), when: plain('hung, nobody in it') },
  sitting: { of: ['bed'], cases: once({ occupancy: 'seated' }), ...said('seated'), when: plain('sitting still in it') },
  lying: {
    of: ['bed'],
    cases: once({ occupancy: 'lying' }),
    name: words('lying'),
    said: words('lying still'),
    when: plain('just hung'),
  },
  'lying-settled': {
    of: ['bed'],
    cases: once({ id: 'settled', occupancy: 'lying', since: NIGHT }),
    ...said('by morning'),
    when: plain('wraps, knots and cloth settled, eight hours lain in'),
  },
  soaked: {
    of: ['bed'],
    cases: once({ occupancy: 'lying', since: NIGHT, environment: { wet: true } }),
    name: words('lying, soaked'),
    said: words('soaked'),
    when: plain('settled, straps and cloth wet'),
  },
  leaning: {
    of: ['bed'],
    cases: once({ occupancy: 'leaning' }),
    name: words('leaning out'),
    said: words('leaning out of it'),
    when: plain('reaching for the pack'),
  },
  'getting-in': {
    of: ['bed'],
    cases: once({ occupancy: 'getting-in' }),
    ...said('getting in'),
    when: plain('sitting down at once, no hand on the strap'),
  },
  dropping: {
    of: ['bed'],
    cases: ({ bed }) => (bed !== undefined && bed.drop > 0 ? [{ occupancy: 'dropping-in' }] : []),
    ...said('dropping in'),
    when: (_, rig) => phrase`falling ${fall(rig)} into it`,
  },
  swinging: {
    of: ['bed'],
    cases: ({ bed }) => (bed !== undefined && bed.swing > 0 ? [{ occupancy: 'swinging' }] : []),
    ...said('swinging'),
    when: (_, { bed }) => phrase`${amount(bed?.swing ?? 0, 'angle')} each way, at its lowest`,
  },
} as const satisfies Record<string, Kind>;
export type CaseKind = keyof typeof CASE_KINDS;

const KINDS: Readonly<Record<CaseKind, Kind>> = CASE_KINDS;
const CALM: Environment = { wind: null, wet: false, snow: 0, rain: 0, sway: 0 };

const made = (kind: CaseKind, own: Own): LoadCase => ({
  id: own.id ?? kind,
  kind,
  environment: { ...CALM, ...own.environment },
  occupancy: own.occupancy ?? 'nobody',
  since: own.since ?? 0,
  ...(own.called === undefined ? {} : { called: own.called }),
});

/** Kinds of weather that a roof may be judged without: then it is not judged for them, and never said to hold. */
export const LEAVABLE = ['wet', 'rain', 'gust', 'wet-gust'] as const satisfies readonly CaseKind[];
export type Leavable = (typeof LEAVABLE)[number];
export const LEAVABLE_NAMES: Readonly<Record<Leavable, string>> = {
  wet: 'the wet night',
  rain: 'the downpour',
  gust: 'gusts on the dry rig',
  'wet-gust': 'gusts on the soaked rig',
};

/** Every case that a part of a rig is judged under. @param gust null in still air */
export const casesFor = (part: CasePart, rig: CaseSource, gust: Gust | null): LoadCase[] =>
  (Object.keys(KINDS) as CaseKind[]).flatMap((kind) =>
    KINDS[kind].of.includes(part) && !(part === 'roof' && rig.pitch?.without?.includes(kind as Leavable) === true)
      ? KINDS[kind].cases(rig, gust).map((own) => made(kind, own))
      : [],
  );

/** The one case of a kind that goes with nothing of the rig. */
const only = (kind: 'pitched' | 'settled' | 'evening' | 'wet' | 'rain'): LoadCase =>
  made(kind, CASE_KINDS[kind].cases()[0]!);
/** As tied off, dry: what everything else is measured against. */
export const PITCHED = only('pitched');
/** Rain on the rig as pitched, low spots full. */
export const DOWNPOUR = only('rain');
/** Without weather, in the order of the night: what relaxing and a wetting do. */
export const QUIET: readonly LoadCase[] = [PITCHED, only('settled'), only('evening'), only('wet')];

/** A gust from one bearing under one law, dry or soaked. */
export const gustCase = (wind: CaseWind, wet: boolean): LoadCase => made(wet ? 'wet-gust' : 'gust', gustOwn(wind, wet));

/** Snow of so much on it, relaxed a night. @param mass kg/m² on level ground */
export const snowCase = (mass: number): LoadCase => made('snow', { since: SOAKED, environment: { snow: mass } });

/** So much rain on the soaked rig, ten hours on. @param depth of what has fallen, m */
export const rainCase = (depth: number): LoadCase =>
  made('wet', { since: SOAKED, environment: { wet: true, rain: depth } });

/** A case's name; how it is said at the end of a sentence; and when it is. */
export const nameOf = (c: LoadCase): string => KINDS[c.kind].name(c);
export const saidOf = (c: LoadCase): string => KINDS[c.kind].said(c);
export const whenOf = (c: LoadCase, rig: CaseSource): Phrase => KINDS[c.kind].when(c, rig);
