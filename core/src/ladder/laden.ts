import type { Level } from '../pitch/index.js';
import { crossing } from '../pitch/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import type { BedShape } from '../shelter/index.js';
import { judgeRig } from '../shelter/index.js';
import type { Link } from '../strength/index.js';
import type { Fall, Ladder, LadderOptions, Rung } from './ladder.js';

/** Masses of who lies in a bed, with clothes and bedding, kg: a child, grown people, two of them, and more than a bed is made for. */
const MASSES = [40, 60, 80, 100, 120, 150, 180, 220] as const;

/** A rig with so much in its bed, judged in still air. */
interface Laden extends Level {
  readonly links: readonly Link[];
  readonly settled: boolean;
  readonly bed: BedShape | null;
  readonly roof: Rung['shape'];
  readonly grounded: boolean;
}

/**
 * Heavier and heavier people in the bed of a rig: seated, lying, settled and soaked, leaning out, sitting down at once, dropping in and
 * swinging as the bed says, each time the whole rig in still air. What gives first ends it: whoever lies in it falls.
 * @returns null when it was stopped
 * @throws RigProblem where the rig cannot be computed
 */
export function ladenLadder(
  rig: RidgeRig,
  context: RigContext,
  { progress = () => true }: Pick<LadderOptions, 'progress'> = {},
): Ladder | null {
  const rungs: Rung[] = [];
  let below: Laden | null = null;
  for (const [k, mass] of MASSES.entries()) {
    if (!progress(k / MASSES.length)) return null;
    const here = ladenWith(rig, context, mass);
    if (!here.settled) {
      rungs.push(rungOf(mass, here, []));
      return { turned: { of: 'people' }, rungs, end: 'unsettled', at: mass };
    }
    const falls = fallsOf(below, here);
    rungs.push(rungOf(mass, here, falls));
    if (falls.length > 0) return { turned: { of: 'people' }, rungs, end: 'down', at: falls[0]!.at };
    below = here;
  }
  progress(1);
  return { turned: { of: 'people' }, rungs, end: 'stands', at: null };
}

function ladenWith(rig: RidgeRig, context: RigContext, mass: number): Laden {
  const laden = { ...rig, bed: { ...rig.bed!, mass } };
  const { report } = judgeRig(laden, context, { full: true, spreads: false, rising: false, wind: null });
  const { bed, roof, rows } = report;
  const links = rows.flatMap((r) => r.links.map((l) => l.link));
  const settled =
    bed!.together && bed!.cases.every((c) => c.converged) && (roof?.cases ?? []).every((c) => c.converged);
  return {
    speed: mass,
    left: links.map((l) => l.margin.value),
    links,
    settled,
    bed: bed!.shapes.find((s) => s.caseId === 'lying') ?? null,
    roof: roof?.shapes.find((s) => s.caseId === 'lain') ?? null,
    grounded: bed!.cases.some((c) => c.grounded),
  };
}

/** What gives first on the way from one mass to another; nothing where all holds. */
function fallsOf(below: Laden | null, here: Laden): readonly Fall[] {
  // links in the order of those above: which row is weakest changes with the mass
  const before: Level | null =
    below === null
      ? null
      : {
          speed: below.speed,
          left: here.links.map(({ id }) => below.left[below.links.findIndex((l) => l.id === id)] ?? Infinity),
        };
  const levels: readonly Level[] = before === null ? [here] : [before, here];
  const falls = here.links.flatMap(({ id, name }, i): Fall[] => {
    const at = here.left[i]! < 1 ? crossing(levels, i, 1) : null;
    return at === null ? [] : [{ link: id, name, lines: [], gives: 'drops', at, mean: null, follows: false }];
  });
  return falls.sort((a, b) => a.at - b.at).slice(0, 1);
}

function rungOf(mass: number, here: Laden, falls: readonly Fall[]): Rung {
  let least: Rung['least'] = null;
  if (here.settled)
    here.links.forEach(({ id, name }, i) => {
      const left = here.left[i]!;
      if (Number.isFinite(left) && (least === null || left < least.left)) least = { link: id, name, left };
    });
  return {
    level: mass,
    beaufort: null,
    falls,
    least,
    stoodAt: mass,
    water: 0,
    shape: here.roof,
    bed: here.bed,
    grounded: here.grounded,
  };
}
