import type { LoadCase } from '../cases/index.js';
import { PITCHED, casesFor } from '../cases/index.js';
import { scaledCurve, strainAt } from '../line/index.js';
import type { CaseReading, PitchState, TiedRig } from '../pitch/index.js';
import { allChecks, leastOf, pitchModel, readingOf, sagOf, solveCase, tieOff } from '../pitch/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { gustOf } from '../rig/index.js';
import { solveBare } from './bare.js';
import { drawnBed } from './bed.js';
import type { DoubtAsked, Drawn } from './drawn.js';
import { PART, drawEach, toDraw } from './drawn.js';
import { effectsOf, unknownShape } from './shape.js';
import type { Unknown } from './unknown.js';
import { heldOf, unknownAgeing, unknownPulls, unknownStrengths, valueAt } from './unknown.js';

/**
 * Solves rigs as this one may be: hauls, ridge and wind, and what is measured of the bed, drawn within their ranges, each rig solved
 * in every case.
 * @param parts    which of the {@link PARTS} to solve: two workers have two each, and find what one alone would have found
 * @param progress told the share done before each rig; return false to stop
 * @returns null when it was stopped
 * @throws RigProblem where the rig cannot be computed
 */
export function solveDrawn(
  rig: RidgeRig,
  context: RigContext,
  asked: DoubtAsked,
  parts: readonly number[],
  progress: (done: number) => boolean = () => true,
): Drawn | null {
  if (rig.pitch === undefined) return solveBare(rig, context, asked, parts, progress);
  const model = pitchModel(rig, context, { ranges: true });
  const tied = tieOff(model);
  // what bears both is worst in a case of the roof and one of the bed
  const wanted = new Set(asked.cases.flatMap((id) => id.split('+')));
  const cases = casesFor('roof', rig, gustOf(rig, asked.wind)).filter(
    (c) => c.kind !== 'pitched' && c.occupancy === 'nobody' && wanted.has(c.id),
  );
  const nominal = [PITCHED, ...cases].map((c) => ({ c, state: solveCase(tied, c, { from: tied.pitched.stood }) }));
  const readings = nominal.map(({ state }) => readingOf(tied, state, null));
  const windy = cases.some((c) => c.environment.wind !== null);
  const bed = drawnBed(rig, context, wanted, { roof: { tied, readings } });
  // what bears the bed as well gives under both
  const checks = allChecks(model).filter((p) => bed?.bears.has(p.id) !== true);
  const held = [...heldOf(model, checks, readings), ...(bed?.held ?? [])];
  const strengths = unknownStrengths(held);
  const unsure = (u: Unknown): boolean => asked.known?.has(u.id) !== true;
  const ofRoof = [...unknownPulls(model, windy, asked.wind !== undefined), ...unknownAgeing(model, cases)].filter(
    unsure,
  );
  const roofIds = new Set(ofRoof.map((u) => u.id));
  // one doubt of both is drawn once
  const pulls = [...ofRoof, ...(bed?.unknowns ?? []).filter((u) => unsure(u) && !roofIds.has(u.id))];
  const columnOf = new Map(pulls.map((u, j) => [u.id, j]));
  const placed = unknownShape(model).filter(unsure);
  const unknowns = [...pulls, ...strengths.unknowns.filter(unsure), ...placed];
  const members = [...model.members, ...(bed?.lines ?? [])];
  const [d, m, k] = [pulls.length, members.length, held.length];
  const n = parts.length * PART;
  const nobody = bed?.unknowns.map(() => 0) ?? [];
  /** How many times over each place holds; null where the bed finds no rest. */
  const leftIn = (beside: { readonly tied: TiedRig; readonly readings: readonly CaseReading[] }): number[] | null => {
    const own = new Map(allChecks(beside.tied.model).map((p) => [p.id, p]));
    const lain = bed?.at(nobody, { roof: beside });
    return lain === null
      ? null
      : [...checks.map((p) => leastOf(own.get(p.id) ?? p, beside.readings)), ...(lain?.left ?? [])];
  };
  const [first] = parts;
  const shapes =
    first === 0
      ? effectsOf(rig, placed, leftIn({ tied, readings }) ?? [], (other) => {
          const now = tieOff(pitchModel(other, context, { ranges: false }), { from: tied });
          const states = nominal.map(({ c }) => solveCase(now, c, { from: now.pitched.stood }));
          return states.every((s) => !s.luffing && s.numbers.converged)
            ? leftIn({ tied: now, readings: states.map((s) => readingOf(now, s, null)) })
            : null;
        })
      : null;
  const out = toDraw(
    { seed: asked.seed, unknowns, members, checks: held, spread: strengths.spread, shapes },
    { rigs: n, drawn: d, sag: model.hasRidge },
  );
  return drawEach(out, d, parts, progress, solveOne);

  /** Solves one rig and writes down what came of it; false where a case finds no rest. */
  function solveOne(z: Float64Array, s: number): boolean {
    const drawn = drawnRig(tied, ofRoof, z);
    if (drawn === null) return false;
    const seen: CaseReading[] = [];
    for (const { c, state } of nominal) {
      const now = stateIn(drawn.rig, c, state, drawn.pressure);
      if (now.luffing || !now.numbers.converged) return false;
      for (let j = 0; j < model.members.length; j++) {
        const pull = now.numbers.tension[tied.line[j]!]!;
        if (c === PITCHED) out.pitched[s * m + j] = pull;
        out.worst[s * m + j] = Math.max(out.worst[s * m + j]!, pull * now.flutter);
      }
      if (c === PITCHED && model.hasRidge) out.sag[s] = sagOf({ ...drawn.rig, pitched: now })!;
      seen.push(readingOf(drawn.rig, now, null));
    }
    checks.forEach((p, j) => (out.left[s * k + j] = leastOf(p, seen)));
    if (bed === null) return true;
    const lain = bed.at(
      bed.unknowns.map((u) => z[columnOf.get(u.id) ?? -1] ?? 0),
      { roof: { tied: drawn.rig, readings: seen } },
    );
    if (lain === null) return false;
    out.left.set(lain.left, s * k + checks.length);
    out.pitched.set(lain.lying, s * m + model.members.length);
    out.worst.set(lain.most, s * m + model.members.length);
    return true;
  }
}

/** The rig with everything off by so much; null where no line is so long. */
function drawnRig(
  tied: TiedRig,
  unknowns: readonly Unknown[],
  z: Float64Array,
): { readonly rig: TiedRig; readonly pressure: number } | null {
  const { model, tension } = tied;
  const changed: Record<string, number> = {};
  const hauls = new Float64Array(model.members.length).fill(1);
  let pressure = 1;
  const ageing = { relaxation: new Map<string, number>(), wetGrowth: new Map<string, number>() };
  let clothGrowth: number | null = null;
  unknowns.forEach((u, j) => {
    const { acts } = u;
    const value = valueAt(u, z[j]!);
    if (acts.on === 'ridge') changed[acts.key] = value;
    else if (acts.on === 'pressure') pressure *= value ** acts.power;
    else if (acts.on === 'relaxation' || acts.on === 'wetGrowth') ageing[acts.on].set(acts.fibre, value);
    else if (acts.on === 'clothGrowth') clothGrowth = value;
    else if (acts.on === 'haul')
      for (let k = 0; k < hauls.length; k++) if (acts.member === null || acts.member === k) hauls[k]! *= value;
  });
  const stretch = changed['stretch'] ?? 1;
  const rest = tied.tied.slice();
  for (const [k, member] of model.members.entries()) {
    if (member.role === 'ridge') {
      try {
        rest[k] = model.ridge.lengthBy.at(changed);
      } catch {
        return null;
      }
      continue;
    }
    const curve = model.curveOf(member, false);
    rest[k] = (rest[k]! * (1 + strainAt(curve, tension[k]!))) / (1 + strainAt(curve, tension[k]! * hauls[k]!));
  }
  const span = changed['span'];
  return {
    pressure,
    rig: {
      ...tied,
      tied: rest,
      // a ridge that runs farther than was thought ends farther off
      farTie: tied.farTie + (span === undefined ? 0 : span - model.ridge.figures.span.value),
      model: {
        ...model,
        curveOf: (m, wet) =>
          m.role === 'ridge' ? scaledCurve(model.curveOf(m, wet), 1, stretch) : model.curveOf(m, wet),
      },
      ageing: { ...ageing, clothGrowth },
      stood: { held: null },
    },
  };
}

/** Share of the work for one solve after which a drawn rig is given up: with a quarter of it one rig in nine of an example was given up that finds rest. */
const PATIENCE = 1;

/** A case of a rig, from where the rig as believed stood in it. */
const stateIn = (rig: TiedRig, c: LoadCase, like: PitchState, pressure: number): PitchState =>
  solveCase(rig, c, { pressure, patient: PATIENCE, from: like.stood ?? rig.pitched.stood });
