import { loopAt } from '../../bed/index.js';
import { drawnFrom } from '../../picture/index.js';
import { limit } from '../../quantity/index.js';
import type { RidgeRig } from '../../rig/index.js';
import type { BedResult, RigReport } from '../../shelter/index.js';
import type { Chance } from '../chance.js';
import type { DrillSource, Maker } from '../maker.js';
import { SIZE, bare, number, rounded, tryJudged } from '../maker.js';

/** Straps come down between these below level, rad, from drum-tight to hanging deep. */
const ANGLES = limit('angle', 'angle', 0.1, 1.05);
/** Who lies in it, kg. */
const MASSES = { easy: [60, 90], hard: [40, 115] } as const;
/** So many ways of hanging it are tried. */
const TRIES = 10;
/** How far up or down the trunks its straps are moved, m. */
const SHIFT = { easy: 0.1, hard: 0.5 } as const;

/** A rig's bed by itself, hung and lain in otherwise. */
function hungOtherwise({ rig, context }: DrillSource, chance: Chance, hard: number): RidgeRig | null {
  const { bed } = rig;
  if (bed === undefined) return null;
  const straps = context.straps.find((s) => s.id === bed.straps);
  if (straps === undefined) return null;
  const [low, high] = [0, 1].map((k) => (1 - hard) * MASSES.easy[k]! + hard * MASSES.hard[k]!) as [number, number];
  const reach = (1 - hard) * SHIFT.easy + hard * SHIFT.hard;
  const mass = rounded(chance.between(low, high), 2);
  const up = chance.between(-reach, reach);
  const end = (k: 0 | 1): (typeof bed.ends)[0] => {
    const one = bed.ends[k];
    const height = Math.round(20 * (one.height + up + chance.between(0, reach))) / 20;
    if (straps.adjust === 'hitch')
      return { ...one, height, free: rounded(one.free * chance.scaled(1 - reach, 1 + reach), 2) };
    const loops = Array.from({ length: straps.count }, (_, i) => i + 1).filter(
      (i) => loopAt(straps, i) <= straps.length,
    );
    return { ...one, height, loop: chance.one(loops) };
  };
  return { ...bare(rig), bed: { ...bed, mass, ends: [end(0), end(1)], sideStay: null } };
}

/** What the strap that bears more bears: weight over twice the sine of its angle, were both alike. */
export const strap: Maker<'angle'> = (source, chance, hard) => {
  for (let k = 0; k < TRIES; k++) {
    const rig = hungOtherwise(source, chance, hard);
    if (rig === null) return null;
    const report = lainIn(rig, source);
    if (report === null) continue;
    const bed = report.bed!;
    const lying = bed.cases.find((c) => c.id === 'lying')!;
    const more = bed.lying.straps[0].value >= bed.lying.straps[1].value ? 0 : 1;
    const below = bed.lying.angles[more].value;
    if (lying.grounded || !lying.converged || !(below >= ANGLES.min) || !(below <= ANGLES.max)) continue;
    const { draw, frame } = drawnFrom(report, source.context.body, 'side', SIZE);
    const [tie, hook] = [more === 0 ? lineEnds(bed, 0) : lineEnds(bed, 1)].flat() as [
      readonly [number, number, number],
      readonly [number, number, number],
    ];
    const [from, to] = [frame.put([tie[0], tie[2]]), frame.put([hook[0], hook[2]])];
    const way = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
    return {
      rig: report.rig,
      facts: { bed: bed.name, load: lying.force, below },
      truths: null,
      shown: {
        picture: draw(undefined, new Set([`strap${more}`])),
        upright: 1,
        hand: {
          form: 'arrow',
          from,
          toward: [(to[0] - from[0]) / way, (to[1] - from[1]) / way],
          least: LEAST,
          tenfold: TENFOLD,
        },
      },
      asked: number('pull', bed.lying.straps[more].value),
      figure: bed.lying.straps[more],
      seen: () => [draw(undefined, new Set([`strap${more}`]))],
    };
  }
  return null;
};

/** A bed lain in clear of the ground; null where it cannot be hung so. */
function lainIn(rig: RidgeRig, source: DrillSource): RigReport | null {
  const report = tryJudged(rig, source);
  return report === null ? null : tryJudged(clearOfGround(rig, report), source);
}

/** Lowest place it is lain in at, m. */
const CLEAR = 0.4;
/** The same bed with its straps so far up that who lies in it is clear of the ground. */
function clearOfGround(rig: RidgeRig, { bed }: RigReport): RidgeRig {
  const lying = bed!.cases.find((c) => c.id === 'lying')!;
  const up = Math.ceil(20 * (CLEAR + lying.below - (lying.below > 0 ? 0 : lying.height))) / 20;
  const [a, b] = rig.bed!.ends;
  const raised = (e: typeof a): typeof a => ({ ...e, height: rounded(e.height + up, 3) });
  return { ...rig, bed: { ...rig.bed!, ends: [raised(a), raised(b)] } };
}

/** Pull at the tail of an arrow, N, and how much of the picture is ten times as much. */
const LEAST = 100;
const TENFOLD = 150;

/** Where a strap is tied, and where the bed hooks into it. */
function lineEnds({ shapes }: Pick<BedResult, 'shapes'>, k: 0 | 1) {
  const shape = shapes.find((s) => s.caseId === 'lying')!;
  return [shape.ties[k], k === 0 ? shape.line[0]! : shape.line.at(-1)!] as const;
}
