import type { LoadCase } from '../cases/index.js';
import { strainAt } from '../line/index.js';
import type { Outcome } from '../net/index.js';
import { numbersOf, solve, tensionAt } from '../net/index.js';
import { BOUNDED } from './gust.js';
import { isStay } from './layout.js';
import { haulCurve, lengthOf, setRest, solveCase } from './solve.js';
import type { TiedRig } from './solve.js';

/** What a line has left at some hour, and what hands take in until it pulls as it was tied off. */
export interface HauledAgain {
  /** Row of the ledger. */
  readonly row: string;
  readonly name: string;
  /** Its pull as it was tied off, at that hour before anybody touches it, and once all are hauled again, N. */
  readonly tied: number;
  readonly left: number;
  readonly after: number;
  /** Cord to take in at the hand, m; negative is let out. */
  readonly by: number;
}

/** The whole rig hauled again at an hour. */
export interface Retension {
  readonly lines: readonly HauledAgain[];
  /** Whether it came to rest before and after, and every line pulls again as it did: nothing is to be told of it where it did not. */
  readonly settled: boolean;
}

/** Every pull is met to this share, or this, N: less than a hand feels. The ridgeline in so many rounds at most. */
const MET = 0.03;
const MET_BY = 1;
const ROUNDS = 16;

/**
 * Every line hauled again in some quiet case, all together, until each pulls as it did when it was tied off: what a wet or creeping
 * line wants is more than it has grown, since the others give as it is hauled. Leaves the rig as it was pitched.
 */
export function retension(rig: TiedRig, c: LoadCase): Retension {
  const { model, engine, line, tension, pitched } = rig;
  const { structure: s } = engine;
  const { members } = model;
  const before = solveCase(rig, c, { slip: false });
  const rests = members.map((_, k) => s.rest[line[k]!]!);
  // pegs hold by loops of their length, hitches are slid, a pole stands between its stays: none of these is hauled
  const hauled = members.map(({ role, reach }) => (role === 'guy' || role === 'tie') && !isStay(reach!));
  for (const k of members.keys()) {
    if (!hauled[k]) continue;
    s.rest[line[k]!] = Math.max(0.01, lengthOf(engine, line[k]!) / 4);
    s.curve[line[k]!] = haulCurve(tension[k]!);
  }
  let outcome = solve(engine, BOUNDED);
  const ridge = members.findIndex((m) => m.role === 'ridge');
  if (ridge >= 0) outcome = haulRidge(rig, ridge, outcome, c.environment.wet);
  // tied off as they are then, and looked at once more
  for (const [k, m] of members.entries()) {
    if (!hauled[k]) continue;
    const curve = model.curveOf(m, c.environment.wet);
    const length = lengthOf(engine, line[k]!);
    const pull = tensionAt(s.curve[line[k]!]!, length / s.rest[line[k]!]! - 1);
    s.rest[line[k]!] = length / (1 + strainAt(curve, pull));
    s.curve[line[k]!] = curve;
  }
  const again = solve(engine, BOUNDED);
  const after = numbersOf(engine, again).tension;
  const lines = members.flatMap((m, k): HauledAgain[] =>
    hauled[k] || k === ridge
      ? [
          {
            row: m.id,
            name: m.name,
            tied: tension[k]!,
            left: before.numbers.tension[line[k]!]!,
            after: after[line[k]!]!,
            by: rests[k]! - s.rest[line[k]!]!,
          },
        ]
      : [],
  );
  solveCase(rig, pitched.case, { slip: false });
  const met = lines.every((l) => Math.abs(l.after - l.tied) <= Math.max(MET_BY, MET * l.tied));
  return { settled: before.numbers.converged && outcome.converged && again.converged && met, lines };
}

/** Takes in or lets out the ridgeline until its largest pull is that of tying off. */
function haulRidge(rig: TiedRig, k: number, found: Outcome, wet: boolean): Outcome {
  const { model, engine, line, tension } = rig;
  const curve = model.curveOf(model.members[k]!, wet);
  const wanted = tension[k]!;
  const pull = (outcome: Outcome): number => numbersOf(engine, outcome).tension[line[k]!]!;
  let outcome = found;
  let rest = engine.structure.rest[line[k]!]!;
  let has = pull(outcome);
  let slope = -Math.max(1, has) / Math.max(1e-4, strainAt(curve, Math.max(1, has))) / rest;
  for (let round = 0; round < ROUNDS && Math.abs(has - wanted) > 1e-3 * wanted; round++) {
    // no more than a hundredth at once: a cord that came slack says little of how it will pull
    const by = Math.min(0.01 * rest, Math.max(-0.01 * rest, (wanted - has) / slope));
    rest += by;
    setRest(rig, k, rest);
    outcome = solve(engine, BOUNDED);
    const now = pull(outcome);
    if (Math.abs(by) > 1e-9 && (now - has) / by < 0) slope = (now - has) / by;
    has = now;
  }
  return outcome;
}
