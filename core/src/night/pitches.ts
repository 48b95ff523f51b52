import { ladderOf } from '../ladder/index.js';
import type { Turned } from '../ladder/index.js';
import { evaluatePitch, layoutOf, meanOf } from '../pitch/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { RIDGE_LIMITS, RigProblem } from '../rig/index.js';
import type { PitchForm } from '../roof/index.js';
import { DRY } from '../under/index.js';
import { beaufortOf, windToward } from '../weather/index.js';
import type { Effort } from './effort.js';
import { effortOf } from './effort.js';

/** In what another pitch differs: the windward edge on the ground, the ridge tied lower by so much, m, another form, a window's stick away. */
export interface Repitched {
  readonly windwardDown: boolean;
  readonly ridgeLower: number;
  readonly form: PitchForm | null;
  readonly flicked: boolean;
}

/** The same roof between the same trees, pitched otherwise. */
export interface OtherPitch {
  readonly how: Repitched;
  readonly rig: RidgeRig;
  /** The gust in which something first gives, m/s; null where nothing does as far as was looked. */
  readonly bears: number | null;
  /** Sleepers on the ground whom rain in that wind does not reach then, and all of them; null where none lie there. */
  readonly dry: { readonly people: number; readonly of: number } | null;
  readonly effort: Effort;
}

/** The ridge comes down by so much, m: what two hands do without setting guys anew. Judgement, 0.3 to 0.6. */
const LOWER = 0.4;
/** Forms that are pitched against wind. */
const AGAINST_WIND = ['storm', 'low', 'closed'] as const satisfies readonly PitchForm[];
/** It is looked at up to so much more than the gust that is asked. */
const BEYOND = 1.2;
/** Pitches that are told. */
const TOLD = 2;

const AS_IT_IS: Repitched = { windwardDown: false, ridgeLower: 0, form: null, flicked: false };
const LOOKED: readonly Repitched[] = [
  { ...AS_IT_IS, flicked: true },
  { ...AS_IT_IS, windwardDown: true },
  { ...AS_IT_IS, ridgeLower: LOWER },
  { ...AS_IT_IS, windwardDown: true, ridgeLower: LOWER },
  ...AGAINST_WIND.map((form) => ({ ...AS_IT_IS, form })),
];

/** The rig with the sticks away that a form stands without; null where it has none. */
export function flickedAway(rig: RidgeRig, context: RigContext): RidgeRig | null {
  const away = layoutOf(rig, context).reaches.filter(
    ({ key, stick }) => stick > 0 && key.role.to === 'guy' && key.role.stick === true && key.optional === true,
  );
  if (away.length === 0) return null;
  const off = away.map(({ key: { id } }) => [id, { ...rig.pitch!.own[id], off: true }] as const);
  return { ...rig, pitch: { ...rig.pitch!, own: { ...rig.pitch!.own, ...Object.fromEntries(off) } } };
}

/** The rig pitched so. @param from bearing of the wind, rad */
function pitchedSo(
  rig: RidgeRig,
  context: RigContext,
  { windwardDown, ridgeLower, form, flicked }: Repitched,
  from: number,
): RidgeRig | null {
  if (flicked) return flickedAway(rig, context);
  const pitch = rig.pitch!;
  const [a, b] = pitch.shape.edges;
  const windward = windToward(from, pitch.bearing)[1] < 0 ? 0 : 1;
  const edges = !windwardDown ? pitch.shape.edges : windward === 0 ? ([0, b] as const) : ([a, 0] as const);
  const tied = (i: 0 | 1) => ({
    ...rig.trunks[i],
    tieHeight: Math.max(RIDGE_LIMITS.tieHeight.min, Math.round(100 * (rig.trunks[i].tieHeight - ridgeLower)) / 100),
  });
  return {
    ...rig,
    ...(ridgeLower === 0 ? {} : { trunks: [tied(0), tied(1)] }),
    pitch: {
      ...pitch,
      shape: { ...pitch.shape, edges: [...edges] },
      // guys of another form are others
      ...(form === null ? {} : { form, own: {}, order: [] }),
    },
  };
}

/** Who lies dry under a rig as pitched, in rain that the wind of a gust drives from a bearing. */
function keptDry(rig: RidgeRig, context: RigContext, from: number, gust: number): OtherPitch['dry'] {
  if ((rig.under ?? []).every((l) => l.kind !== 'sleeper')) return null;
  const then: RidgeRig = {
    ...rig,
    wind: { ...rig.wind, beaufort: beaufortOf(meanOf(rig, gust)) },
    pitch: { ...rig.pitch!, windFrom: from },
  };
  const { result } = evaluatePitch(then, context, { full: false, spreads: false, rising: false });
  const sleepers = result.under!.things.filter((t) => t.lying.kind === 'sleeper');
  return { people: sleepers.filter((t) => t.dry >= DRY).length, of: sleepers.length };
}

/**
 * How else the same roof can be pitched between the same trees so that nothing gives in a gust: each solved in that gust from its side,
 * least work first.
 * @param turned the wind, dry or soaked
 * @param gust   m/s at the roof
 */
export function otherPitches(
  rig: RidgeRig,
  context: RigContext,
  turned: Turned & { readonly of: 'wind' },
  gust: number,
): readonly OtherPitch[] {
  const found = LOOKED.flatMap((how): OtherPitch[] => {
    if (how.form === rig.pitch!.form) return [];
    try {
      const next = pitchedSo(rig, context, how, turned.from);
      if (next === null) return [];
      const { end, at } = ladderOf(next, context, turned, { upTo: BEYOND * gust, first: true })!;
      const bears = end === 'stands' ? null : at!;
      if (bears !== null && bears < gust) return [];
      const effort = effortOf(rig, next, context);
      // it is pitched so already
      if (effort.touched.length === 0) return [];
      return [{ how, rig: next, bears, dry: keptDry(next, context, turned.from, gust), effort }];
    } catch (error) {
      // a form that this roof or these heights do not allow
      if (error instanceof RigProblem) return [];
      throw error;
    }
  });
  return found.sort((a, b) => a.effort.minutes - b.effort.minutes).slice(0, TOLD);
}
