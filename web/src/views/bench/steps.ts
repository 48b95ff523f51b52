import type { CaseKind } from '@rough-bight/core/cases';
import { against } from '@rough-bight/core/findings';
import type { AgainstCode, Finding } from '@rough-bight/core/findings';
import { say } from '@rough-bight/core/quantity';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import { measuredSpan } from '@rough-bight/core/rig';
import type { RidgeRig, Role } from '@rough-bight/core/rig';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import type { RigReport } from '@rough-bight/core/shelter';
import { DRY } from '@rough-bight/core/under';
import { BEAUFORT } from '@rough-bight/core/weather';
import type { TapeMark } from '../../parts/tape.js';

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
): {
  readonly label: string;
  readonly marks: TapeMark[];
  readonly words: Readonly<Record<NonNullable<TapeMark['state']>, string>>;
} {
  return {
    label: 'Steps of the rig',
    marks: [
      ...marks.map(({ step: to, ...m }) => (to === undefined ? m : { ...m, to: `/rigs/${id}/${to}` })),
      { id: 'work', name: 'Work', text: 'step by step', to: `/rigs/${id}/work` },
    ],
    words: { holds: 'holds', fails: 'does not hold', none: 'nothing yet' },
  };
}

/** At which step a member is set. */
const STEP_OF_ROLE: Readonly<Record<Role, Step>> = {
  trunk: 'ground',
  ridge: 'ridge',
  extension: 'ridge',
  tie: 'ridge',
  loop: 'hang',
  cloth: 'hang',
  guy: 'guy',
  peg: 'guy',
  stick: 'guy',
  hold: 'guy',
  strap: 'bed',
  bed: 'bed',
  pole: 'bed',
  stay: 'bed',
};
/** And what was found; who lies on the ground is told with the bed. */
const STEP_OF_FINDING: Readonly<Record<Exclude<AgainstCode, 'short'>, Step>> = {
  tree: 'ground',
  'line-grounded': 'ridge',
  'cord-short': 'ridge',
  sags: 'ridge',
  'no-room': 'hang',
  'comes-down': 'hang',
  unguyed: 'guy',
  'guy-short': 'guy',
  'pegs-short': 'guy',
  'pool-grows': 'weather',
  flaps: 'weather',
  'left-out': 'weather',
  'fire-under': 'weather',
  'beneath-forbids': 'bed',
  overloaded: 'bed',
  'guessed-under-someone': 'bed',
  'bed-grounded': 'bed',
  'bed-unsettled': 'bed',
  'pole-falls': 'bed',
  touches: 'bed',
  'drips-in': 'bed',
  'rain-reaches': 'bed',
  'sleeper-wet': 'bed',
};
/** What wind, trees and snow do. */
const WEATHER: ReadonlySet<CaseKind> = new Set<CaseKind>(['gust', 'wet-gust', 'own-gust', 'sway', 'snow']);

/** The steps at which something keeps a rig from holding. */
function failingSteps(report: RigReport): ReadonlySet<Step> {
  const out = new Set<Step>();
  for (const f of against(report.findings)) for (const step of stepsOf(f, report)) out.add(step);
  return out;
}

function stepsOf(f: Finding, { rows, line, roof }: RigReport): Step[] {
  if (f.code !== 'short') return [STEP_OF_FINDING[f.code as keyof typeof STEP_OF_FINDING]];
  const { link } = f.facts.judged;
  const row = rows.find((r) => r.links.some((j) => j.link.id === link.id));
  const set: Step = link.kind === 'grip' ? 'hang' : STEP_OF_ROLE[row?.role ?? 'ridge'];
  const kind = (roof ?? line)?.cases.find((c) => c.id === link.caseId)?.group;
  return kind !== undefined && WEATHER.has(kind) ? [set, 'weather'] : [set];
}

/** The marks of the tape, in the order the rig is tied, and whether each step holds. @param report null where none is true of it */
export function marksOf(rig: RidgeRig, report: RigReport | null, body: BodyMeasures, units: UnitChoice): Mark[] {
  const fails = report === null ? new Set<Step>() : failingSteps(report);
  // what was worked out in part only is not passed
  const state = (step: Step, there = true): Mark['state'] =>
    report === null || !there ? 'none' : fails.has(step) ? 'fails' : report.full ? 'holds' : 'none';
  const mark = (step: Step, name: string, text: string, there = true): Mark => ({
    id: step,
    step,
    name,
    text,
    state: state(step, there),
  });
  return [
    mark('ground', 'Ground', `span ${say(measuredSpan(rig, body), 'length', units)}`),
    ridgeMark(report, units, mark),
    rig.pitch === undefined
      ? mark('hang', 'Hang', hungWords(rig, units), rig.hung.length > 0)
      : mark('hang', 'Hang', PITCH_TRAITS[rig.pitch.form].name),
    guyMark(report, mark),
    bedMark(report, units, mark),
    mark('weather', 'Weather', BEAUFORT[rig.wind.beaufort]!.name),
  ];
}

type Marks = (step: Step, name: string, text: string, there?: boolean) => Mark;

function ridgeMark(report: RigReport | null, units: UnitChoice, mark: Marks): Mark {
  if (report === null) return mark('ridge', 'Ridge', '', false);
  const line = report.rows.find((r) => r.role === 'ridge') ?? report.rows.find((r) => r.role === 'tie');
  if (line === undefined) return mark('ridge', 'Ridge', 'none', false);
  const sag = report.line?.sag.value ?? report.roof?.sag ?? null;
  return mark(
    'ridge',
    'Ridge',
    `${say(line.pitched, 'force', units)}${sag === null ? '' : `, sag ${say(sag, 'length', units)}`}`,
  );
}

function hungWords({ hung }: RidgeRig, units: UnitChoice): string {
  if (hung.length === 0) return 'nothing on it';
  const mass = hung.reduce((sum, h) => sum + h.mass, 0);
  return `${hung.length} ${hung.length === 1 ? 'thing' : 'things'}, ${say(mass, 'mass', units)}`;
}

function guyMark(report: RigReport | null, mark: Marks): Mark {
  if (report === null) return mark('guy', 'Guy', '', false);
  const { roof, line, findings } = report;
  if (roof === null) {
    const unguyed = (line?.unguyed ?? 0) > 0;
    return mark('guy', 'Guy', unguyed ? 'not one on the cloth' : 'none', unguyed);
  }
  const guys = roof.guys.filter((g) => g.kind !== 'tie');
  const links = new Set(findings.flatMap((f) => (f.code === 'short' ? [f.facts.judged.link.id] : [])));
  const short = guys.filter((g) =>
    roof.rows.some((row) => row.id === g.id && row.links.some((j) => links.has(j.link.id))),
  ).length;
  return mark('guy', 'Guy', short === 0 ? `${guys.length} hold` : `${short} of ${guys.length} short`);
}

function bedMark(report: RigReport | null, units: UnitChoice, mark: Marks): Mark {
  const bed = report?.bed ?? null;
  if (bed === null) {
    const lie = (report?.roof?.under?.things ?? []).filter((t) => t.lying.kind === 'sleeper');
    return lie.length === 0
      ? mark('bed', 'Bed', 'none', false)
      : mark('bed', 'Bed', `${lie.filter((t) => t.dry >= DRY).length} of ${lie.length} lie dry`);
  }
  const { height, straps } = bed.lying;
  const pull = Math.max(straps[0].value, straps[1].value);
  return mark('bed', 'Bed', `${say(height.value, 'length', units)} up, ${say(pull, 'force', units)}`);
}
