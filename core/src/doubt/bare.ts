import { casesFor } from '../cases/index.js';
import { NoSuchLine } from '../line/index.js';
import type { RidgeKey, RidgeResult, RidgeRig, RigContext, Row } from '../rig/index.js';
import { RigProblem, evaluateRidge, gustOf, ridgeModel } from '../rig/index.js';
import type { Link } from '../strength/index.js';
import { drawnBed, leftIn } from './bed.js';
import type { DoubtAsked, Drawn } from './drawn.js';
import { PART, drawEach, toDraw } from './drawn.js';
import { effectsOf, unknownTies } from './shape.js';
import type { Alike, Unknown } from './unknown.js';
import { RIDGE_KINDS, alikeCord, unknownStrengths, valueAt } from './unknown.js';

/**
 * A line without a roof, and the bed beside it where there is one, solved as they may be.
 * @throws RigProblem where it cannot be computed; NoSuchLine
 */
export function solveBare(
  rig: RidgeRig,
  context: RigContext,
  asked: DoubtAsked,
  parts: readonly number[],
  progress: (done: number) => boolean,
): Drawn | null {
  const believed = evaluateRidge(rig, context, { ranges: false });
  const bed = drawnBed(rig, context, new Set(asked.cases.flatMap((id) => id.split('+'))), { ridge: believed });
  const unsure = (u: Unknown): boolean => asked.known?.has(u.id) !== true;
  const ofLine = unknownLine(rig, context).filter(unsure);
  const known = new Set(ofLine.map((u) => u.id));
  // one doubt of both is drawn once
  const pulls = [...ofLine, ...(bed?.unknowns ?? []).filter((u) => unsure(u) && !known.has(u.id))];
  const columnOf = new Map(pulls.map((u, j) => [u.id, j]));
  /** Everything of the line that can let go but the trees that bear the bed as well: those are judged with it. */
  const linksOf = ({ rows }: RidgeResult): { readonly row: Row; readonly link: Link }[] =>
    rows.flatMap((row) => (bed?.bears.has(row.id) === true ? [] : row.links.map(({ link }) => ({ row, link }))));
  const links = linksOf(believed);
  const held = [
    ...links.map(({ row, link }) => ({
      id: link.id,
      name: link.name,
      holds: link.available,
      alike: alikeOf(rig, row, link),
    })),
    ...(bed?.held ?? []),
  ];
  const strengths = unknownStrengths(held);
  const ties = unknownTies(rig).filter(unsure);
  const nobody = bed?.unknowns.map(() => 0) ?? [];
  const leftOf = (now: RidgeResult): ReadonlyMap<string, number> =>
    new Map(linksOf(now).map(({ link }) => [link.id, leftIn(link)]));
  const shapes =
    parts[0] === 0
      ? effectsOf(rig, ties, leftBeside(believed) ?? [], (other) =>
          leftBeside(evaluateRidge(other, context, { ranges: false })),
        )
      : null;
  const members = [{ id: 'ridge', name: 'ridgeline' }, ...(bed?.lines ?? [])];
  const [d, m, k] = [pulls.length, members.length, held.length];
  const out = toDraw(
    {
      seed: asked.seed,
      unknowns: [...pulls, ...strengths.unknowns.filter(unsure), ...ties],
      members,
      checks: held,
      spread: strengths.spread,
      shapes,
    },
    { rigs: parts.length * PART, drawn: d, sag: true },
  );
  return drawEach(out, d, parts, progress, (z, s) => {
    const now = lineAs(rig, context, ofLine, z);
    if (now === null) return false;
    const ridge = now.rows.find((r) => r.id === 'ridge')!;
    out.pitched[s * m] = ridge.pitched;
    out.worst[s * m] = ridge.demand.value;
    out.sag[s] = now.sag.value;
    const left = leftOf(now);
    links.forEach(({ link }, j) => (out.left[s * k + j] = left.get(link.id)!));
    if (bed === null) return true;
    const lain = bed.at(
      bed.unknowns.map((u) => z[columnOf.get(u.id) ?? -1] ?? 0),
      { ridge: now },
    );
    if (lain === null) return false;
    out.left.set(lain.left, s * k + links.length);
    out.pitched.set(lain.lying, s * m + 1);
    out.worst.set(lain.most, s * m + 1);
    return true;
  });

  /** How many times over each place holds; null where the bed finds no rest. */
  function leftBeside(line: RidgeResult): number[] | null {
    const left = leftOf(line);
    const lain = bed === null ? { left: [] } : bed.at(nobody, { ridge: line });
    return lain === null ? null : [...links.map(({ link }) => left.get(link.id)!), ...lain.left];
  }
}

/** What is not known of a bare line in any of its cases. */
function unknownLine(rig: RidgeRig, context: RigContext): Unknown[] {
  const model = ridgeModel(rig, context, { ranges: true });
  const hangs = rig.hung.some((h) => h.area > 0);
  const keys = new Set<RidgeKey>(
    casesFor('line', rig, gustOf(rig)).flatMap((c) =>
      // wind that finds nothing to press on is no matter
      c.environment.wind !== null && !hangs ? [] : model.keysOf(c),
    ),
  );
  return [...keys].flatMap((key): Unknown[] => {
    const { title, value, range } = model.figures[key];
    if (range === undefined || !(range[1] > range[0])) return [];
    const kind = RIDGE_KINDS[key] ?? 'ridge-pull';
    return [{ id: `ridge:${key}`, name: title, kind, acts: { on: 'ridge', key }, value, range }];
  });
}

/** The line with everything off by so much; null where there is no such line. */
function lineAs(
  rig: RidgeRig,
  context: RigContext,
  unknowns: readonly Unknown[],
  z: ArrayLike<number>,
): RidgeResult | null {
  const as = Object.fromEntries(unknowns.map((u, j) => [u.acts.on === 'ridge' ? u.acts.key : '', valueAt(u, z[j]!)]));
  try {
    return evaluateRidge(rig, context, { ranges: false, as });
  } catch (error) {
    if (error instanceof NoSuchLine || error instanceof RigProblem) return null;
    throw error;
  }
}

/** What else is off together with a link of the line; null where it stands by itself. */
function alikeOf(rig: RidgeRig, row: Row, { id, kind }: Link): Alike | null {
  const ofCord = kind === 'line' || kind === 'grip' || (kind === 'end' && !id.startsWith('fitting-'));
  return row.role === 'ridge' && ofCord ? alikeCord(rig.cord, row.what) : null;
}
