import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { measuredSpan } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { groundedIn, rowsTogether, tooNear } from '@rough-bight/core/shelter';
import type { BedResult } from '@rough-bight/core/shelter';
import { BEAUFORT } from '@rough-bight/core/weather';
import { allSolved, ratioOf } from '@rough-bight/core/pitch';
import type { PitchRow } from '@rough-bight/core/pitch';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import type { TapeMark } from '../../parts/tape.js';
import type { Judgement, PitchJudgement } from '../../workers/rig.worker.js';

export const STEPS = ['ground', 'ridge', 'hang', 'guy', 'bed', 'weather'] as const;
export type Step = (typeof STEPS)[number];

export interface Mark {
  readonly id: string;
  readonly name: string;
  /** Absent where this rig has nothing there yet. */
  readonly step?: Step;
  readonly text: string;
  readonly state: 'holds' | 'fails' | 'none';
}

/** What stands in the middle of the bench and at its side, as read aloud. */
export const BENCH_NAMES = ['The rig', 'Verdict and ledger'] as const;

/** The steps of a rig as its tape shows them. */
export function benchSteps(
  id: string,
  marks: readonly Mark[],
): { readonly label: string; readonly marks: TapeMark[]; readonly words: Readonly<Record<TapeMark['state'], string>> } {
  return {
    label: 'Steps of the rig',
    marks: marks.map(({ step: to, ...m }) => (to === undefined ? m : { ...m, to: `/rigs/${id}/${to}` })),
    words: { holds: 'holds', fails: 'does not hold', none: 'nothing yet' },
  };
}

/** Whether the bed holds, lies where it should and stays dry. */
function bedMark(bed: BedResult | null, units: UnitChoice): Mark {
  if (bed === null) return { id: 'bed', step: 'bed', name: 'Bed', text: 'none', state: 'none' };
  const wrong =
    bed.refusals.length > 0 ||
    bed.rows.some((row) => ratioOf(row) < 1) ||
    groundedIn(bed) !== null ||
    bed.cases.some((c) => !c.converged) ||
    bed.drips.some((d) => d.wets) ||
    bed.poles.some((p) => p.sideways === null) ||
    (bed.over !== null && (tooNear(bed.over).length > 0 || bed.over.dryInRain < 0.98));
  return {
    id: 'bed',
    step: 'bed',
    name: 'Bed',
    text: `${say(bed.lying.height.value, 'length', units)} up, ${say(Math.max(bed.lying.straps[0].value, bed.lying.straps[1].value), 'force', units)}`,
    state: wrong ? 'fails' : 'holds',
  };
}

/** The marks of the tape, in the order the rig is tied, and whether each step holds. */
export function marksOf(rig: RidgeRig, judgement: Judgement | null, body: BodyMeasures, units: UnitChoice): Mark[] {
  const r = judgement?.result;
  const fails = (of: (id: string) => boolean): boolean =>
    r?.ledger.some((j) => of(j.link.id) && j.judgement.ratio < 1) ?? false;
  const state = (bad: boolean): Mark['state'] => (r === undefined ? 'none' : bad ? 'fails' : 'holds');
  const against = r?.trunks.some((t) => t.against.length > 0) ?? false;
  const dryFails = r?.ledger.some((j) => j.judgement.ratio < 1 && /gust|sway/.test(j.link.caseId)) ?? false;
  return [
    {
      id: 'ground',
      step: 'ground',
      name: 'Ground',
      text: `span ${say(measuredSpan(rig, body), 'length', units)}`,
      state: state(
        against ||
          fails((id) => id.startsWith('trunk')) ||
          (judgement?.bed?.rows.some((row) => row.role === 'trunk' && ratioOf(row) < 1) ?? false),
      ),
    },
    {
      id: 'ridge',
      step: 'ridge',
      name: 'Ridge',
      text: r === undefined ? '' : `${say(r.tension.value, 'force', units)}, sag ${say(r.sag.value, 'length', units)}`,
      state: state(
        r !== undefined &&
          (!r.tight || r.cordNeeded.value > r.cordOnHand || fails((id) => id.startsWith('end') || id === 'line')),
      ),
    },
    {
      id: 'hang',
      step: 'hang',
      name: 'Hang',
      text:
        rig.hung.length === 0
          ? 'nothing on it'
          : `${rig.hung.length} ${rig.hung.length === 1 ? 'thing' : 'things'}, ${say(
              rig.hung.reduce((sum, h) => sum + h.mass, 0),
              'mass',
              units,
            )}`,
      state: rig.hung.length === 0 ? 'none' : state(fails((id) => id.startsWith('grip'))),
    },
    {
      id: 'guy',
      step: 'guy',
      name: 'Guy',
      text: (r?.unguyed ?? 0) > 0 ? 'not one on the cloth' : 'none',
      state: (r?.unguyed ?? 0) > 0 ? 'fails' : 'none',
    },
    bedMark(judgement?.bed ?? null, units),
    {
      id: 'weather',
      step: 'weather',
      name: 'Weather',
      text: BEAUFORT[rig.wind.beaufort]!.name,
      state: state(dryFails),
    },
  ];
}

/** The same of a rig with a roof pitched on it. */
export function pitchMarks(
  rig: RidgeRig,
  judgement: PitchJudgement | null,
  body: BodyMeasures,
  units: UnitChoice,
): Mark[] {
  const r = judgement?.pitch;
  const pitch = rig.pitch!;
  // a trunk that bears a bed as well holds or not by what both come to
  const rows = rowsTogether(r?.rows ?? [], judgement?.bed?.rows ?? []);
  const fails = (of: (row: PitchRow) => boolean): boolean => rows.some((row) => of(row) && ratioOf(row) < 1);
  // what was worked out in part only is not passed
  const state = (bad: boolean): Mark['state'] =>
    r === undefined ? 'none' : bad ? 'fails' : judgement!.full ? 'holds' : 'none';
  const ridge = r?.rows.find((row) => row.role === 'ridge') ?? r?.rows.find((row) => row.role === 'tie');
  const guys = r?.guys.filter((g) => g.kind !== 'tie') ?? [];
  const short = guys.filter((g) => fails((row) => row.id === g.id)).length;
  const weathered = new Set(
    r?.cases.filter((c) => c.wind !== null || c.group === 'sway' || c.group === 'snow').map((c) => c.id),
  );
  const windy = (row: PitchRow): boolean => weathered.has(row.links[0]?.link.caseId ?? '');
  return [
    {
      id: 'ground',
      step: 'ground',
      name: 'Ground',
      text: `span ${say(measuredSpan(rig, body), 'length', units)}`,
      state: state(fails((row) => row.role === 'trunk') || rig.trunks.some((t) => t.signs.length > 0)),
    },
    {
      id: 'ridge',
      step: 'ridge',
      name: 'Ridge',
      text:
        ridge === undefined
          ? 'none'
          : `${say(ridge.pitched, 'force', units)}${r!.sag === null ? '' : `, sag ${say(r!.sag, 'length', units)}`}`,
      state: ridge === undefined ? 'none' : state(fails((row) => row.role === 'ridge' || row.role === 'tie')),
    },
    {
      id: 'hang',
      step: 'hang',
      name: 'Hang',
      text: PITCH_TRAITS[pitch.form].name,
      state: state(fails((row) => row.role === 'loop' || row.role === 'cloth')),
    },
    {
      id: 'guy',
      step: 'guy',
      name: 'Guy',
      text: short === 0 ? `${guys.length} hold` : `${short} of ${guys.length} short`,
      state: state(short > 0 || fails((row) => row.role === 'stick')),
    },
    bedMark(judgement?.bed ?? null, units),
    {
      id: 'weather',
      step: 'weather',
      name: 'Weather',
      text: BEAUFORT[rig.wind.beaufort]!.name,
      state: state(fails(windy) || (r !== undefined && (!allSolved(r) || r.cases.some((c) => c.runsAway)))),
    },
  ];
}
