import { poseOf } from '../cases/index.js';
import { withWalls } from '../around/index.js';
import type { Sheet } from '../around/index.js';
import type { LoadCase } from '../cases/index.js';
import type { HangState } from '../bed/index.js';
import { LEAST_GAP, LYING_DEEP, ROOF_ABOVE, SHELTERS, SITTING_TALL, looked } from '../catalogue/index.js';
import type { PitchShape, PitchTopology } from '../pitch/index.js';
import { sub } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import { meanWind, slantOver } from '../rig/index.js';
import type { RidgeRig } from '../rig/index.js';
import { RAIN_FALLS, clothAbove, clothOver, coverBeyond, lineOffCloth } from '../roof/index.js';
import { windBySigns } from '../weather/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { BedModel } from './bed-model.js';
import { alongCloth, lieOn } from './bed-model.js';

/** How near a bed in one case comes to the roof in one of its own. */
export interface Gap {
  readonly roofCase: string;
  /** Whether that is one in weather, rather than the roof as it hangs over who lies there. */
  readonly weather: boolean;
  readonly bedCase: string;
  readonly distance: number;
  readonly where: Vec3;
  /** What comes nearest. */
  readonly what: 'bed' | 'person' | 'strap';
}

/** The roof over a bed. */
export interface RoofOver {
  /** How far the cloth reaches beyond each end of the bed, straight down and in this rain, m; negative lies open. */
  readonly overhang: readonly [number, number];
  readonly overhangInRain: readonly [number, number];
  /** Share of the bed that rain does not reach, straight down and at this slant. */
  readonly dry: number;
  readonly dryInRain: number;
  /** Slant of the rain from upright, rad. */
  readonly slant: number;
  /** Least distance of bed, sleeper and straps from the cloth in any case; all of them, nearest first. */
  readonly gaps: readonly Gap[];
  /** Cloth over the middle of the line between the bed's ends, m; null where there is none. */
  readonly above: number | null;
  /** What suits the weather, m. */
  readonly wished: number;
  /** Room over the head of who sits in it, m; null where no cloth is over it. */
  readonly headRoom: number | null;
  /** The same numbers with their workings; null where there is none. */
  readonly figures: {
    readonly slant: Figure;
    readonly overhang: readonly [Figure, Figure];
    readonly overhangInRain: readonly [Figure, Figure];
    readonly dryInRain: Figure;
    readonly above: Figure | null;
    readonly headRoom: Figure | null;
    readonly gap: Figure | null;
  };
}

/** Half the width that a bed someone lies in takes, m, and how high its sides stand over its middle. Judgement. */
const SIDE = 0.35;
const SIDE_UP = 0.25;

/** Lines that stand for a bed's surface and who is in it, m. */
function linesOf(
  model: BedModel,
  c: LoadCase,
  s: HangState,
): { readonly what: Gap['what']; readonly line: readonly Vec3[] }[] {
  const out: { what: Gap['what']; line: readonly Vec3[] }[] = [];
  const way = sub(s.links[1], s.links[0]);
  const level = Math.hypot(way[0], way[1]) || 1;
  const across: readonly [number, number] = [-way[1] / level, way[0] / level];
  const parts = s.line.length - 1;
  const half = Math.min(SIDE, model.kit.width / 2) * (poseOf(c) === 'empty' ? 0.4 : 1);
  const up = poseOf(c) === 'empty' ? 0 : SIDE_UP;
  out.push({ what: 'bed', line: s.line });
  for (const side of [1, -1])
    out.push({
      what: 'bed',
      line: s.line.map((p, k): Vec3 => {
        const full = Math.sin((Math.PI * k) / parts);
        return [p[0] + side * across[0] * half * full, p[1] + side * across[1] * half * full, p[2] + up * full];
      }),
    });
  const body = bodyLine(model, c, s);
  if (body.length > 1) out.push({ what: 'person', line: body });
  for (const i of [0, 1] as const) {
    const [from, to] = [s.ties[i], s.links[i]];
    const at = (f: number): Vec3 => [0, 1, 2].map((k) => from[k]! + f * (to[k]! - from[k]!)) as unknown as Vec3;
    out.push({ what: 'strap', line: Array.from({ length: 9 }, (_, k) => at(k / 8)) });
  }
  return out;
}

/** Top of who is in the bed: along the body lying, from the seat to the head sitting. Empty where nobody is. */
export function bodyLine(model: BedModel, c: LoadCase, s: HangState): Vec3[] {
  const up = (p: Vec3, by: number): Vec3 => [p[0], p[1], p[2] + by];
  if (poseOf(c) === 'empty') return [];
  if (poseOf(c) === 'sitting') {
    const seat = alongCloth(model, s, model.rig.bed!.sitAt * model.kit.length);
    return [seat, up(seat, SITTING_TALL)];
  }
  const { head, feet } = lieOn(model);
  const out: Vec3[] = [];
  for (let k = 0; k <= 10; k++) out.push(up(alongCloth(model, s, head + ((feet - head) * k) / 10), LYING_DEEP));
  return out;
}

/** Which states of the bed are set against each of the roof's. */
const POSES = ['empty', 'sitting', 'lying'] as const;
const KINDS = ['bed', 'person', 'strap'] as const;

/**
 * What of a bed rain reaches: the share that stays dry.
 * @param line  the bed lain in, from end to end, m
 * @param kept  what keeps rain off: cloth, and walls round it
 * @param width of it that somebody takes, m
 */
export function dryShare(
  line: readonly Vec3[],
  kept: Sheet,
  slant: readonly [number, number],
  width = 2 * SIDE,
): number {
  const way = sub(line.at(-1)!, line[0]!);
  const level = Math.hypot(way[0], way[1]) || 1;
  const across: readonly [number, number] = [-way[1] / level, way[0] / level];
  const half = Math.min(SIDE, width / 2);
  const parts = line.length - 1;
  const inRain = clothOver(kept.corners, kept.at, slant);
  let [dry, all] = [0, 0];
  for (let k = 0; k <= parts; k++) {
    const full = Math.sin((Math.PI * k) / parts);
    for (const side of [-1, -0.5, 0, 0.5, 1]) {
      const p = line[k]!;
      const place: Vec3 = [
        p[0] + side * across[0] * half * full,
        p[1] + side * across[1] * half * full,
        p[2] + SIDE_UP * full * Math.abs(side),
      ];
      // each place counts for the cloth it stands for: little at the gathered ends
      const area = 0.05 + full;
      all += area;
      if (inRain(...place) !== null) dry += area;
    }
  }
  return dry / all;
}

/** Shapes of the roof looked at closely, of hundreds in wind. */
const LOOKED_AT = 12;
/** Cloth this far beside the bed counts as over it, m. */
const BESIDE = 0.6;

/** Of many shapes those in which cloth hangs lowest over the bed: what is nearest to it is among them. */
function nearestShapes(lying: HangState, shapes: readonly PitchShape[], clothNodes: number): readonly PitchShape[] {
  const xs = [...lying.ties, ...lying.line].map((p) => p[0]);
  const ys = [...lying.ties, ...lying.line].map((p) => p[1]);
  const [x0, x1] = [Math.min(...xs) - BESIDE, Math.max(...xs) + BESIDE];
  const [y0, y1] = [Math.min(...ys) - BESIDE, Math.max(...ys) + BESIDE];
  // the cloth's nodes come first in every shape
  const lowest = ({ at }: PitchShape): number => {
    let low = Number.POSITIVE_INFINITY;
    for (let n = 0; n < 3 * clothNodes; n += 3)
      if (at[n]! > x0 && at[n]! < x1 && at[n + 1]! > y0 && at[n + 1]! < y1) low = Math.min(low, at[n + 2]!);
    return low;
  };
  return shapes
    .filter((s) => s.converged)
    .map((shape) => ({ shape, low: lowest(shape) }))
    .sort((a, b) => a.low - b.low)
    .slice(0, LOOKED_AT)
    .map(({ shape }) => shape);
}

/**
 * How a roof lies over a bed, in every case of both.
 * @param lain the roof as it stands when someone is in the bed and has drawn the trunks together
 */
export function roofOver(
  model: BedModel,
  roof: { readonly shapes: readonly PitchShape[]; readonly topology: PitchTopology },
  lain: PitchShape,
): RoofOver {
  const { rig } = model;
  const { topology } = roof;
  const stateOf = (id: string): HangState => model.restOf(model.cases.find((c) => c.id === id)!);
  const lying = stateOf('lying');
  const slant = slantOver(rig);
  const way = sub(lying.links[1], lying.links[0]);
  const level = Math.hypot(way[0], way[1]) || 1;
  const out = (i: 0 | 1): readonly [number, number] => {
    const sign = i === 0 ? -1 : 1;
    return [(sign * way[0]) / level, (sign * way[1]) / level];
  };
  const beyond = (by: readonly [number, number]): readonly [number, number] => [
    coverBeyond(lying.links[0], out(0), topology.corners, lain.at, by),
    coverBeyond(lying.links[1], out(1), topology.corners, lain.at, by),
  ];
  const gaps: Gap[] = [];
  for (const pose of POSES) {
    const c = model.cases.find((x) => x.id === pose)!;
    const s = stateOf(pose);
    const lines = linesOf(model, c, s);
    for (const shape of [...nearestShapes(lying, roof.shapes, topology.clothNodes), lain]) {
      if (!shape.converged) continue;
      for (const kind of KINDS) {
        let nearest: Gap | null = null;
        for (const { what, line } of lines) {
          if (what !== kind) continue;
          const { distance, where } = lineOffCloth(line, topology.corners, shape.at);
          if (nearest === null || distance < nearest.distance)
            nearest = { roofCase: shape.caseId, weather: shape !== lain, bedCase: pose, distance, where, what };
        }
        if (nearest !== null) gaps.push(nearest);
      }
    }
  }
  gaps.sort((a, b) => a.distance - b.distance);
  const middle: Vec3 = [0, 1, 2].map((k) => 0.5 * (lying.links[0][k]! + lying.links[1][k]!)) as unknown as Vec3;
  const cloth = clothAbove(middle, topology.corners, lain.at, [0, 0]);
  const sitting = bodyLine(
    model,
    model.cases.find((c) => c.id === 'sitting')!,
    stateOf('sitting'),
  );
  const over = clothAbove(sitting[0]!, topology.corners, lain.at, [0, 0]);
  const overhang = beyond([0, 0]);
  const overhangInRain = beyond(slant);
  const dryInRain = dryShare(
    lying.line,
    withWalls({ corners: topology.corners, at: lain.at }, model.rig.walls ?? [], model.ground),
    slant,
    model.kit.width,
  );
  const above = cloth === null ? null : cloth - middle[2];
  const headRoom = over === null ? null : over - sitting[1]![2];
  const end = ['first', 'second'] as const;
  const reach = (values: readonly [number, number], along: string): readonly [Figure, Figure] => {
    const of = (i: 0 | 1): Figure =>
      read(
        'o',
        `cloth beyond the bed’s ${end[i]} end, ${along}`,
        values[i],
        `walked outward from the bed’s end along its own line until no cloth of the solved roof lies above it, ${along}`,
      );
    return [of(0), of(1)];
  };
  const nearest = gaps[0];
  return {
    overhang,
    overhangInRain,
    dry: dryShare(lying.line, { corners: topology.corners, at: lain.at }, [0, 0], model.kit.width),
    dryInRain,
    figures: {
      slant: slantFigure(rig),
      overhang: reach(overhang, 'straight down'),
      overhangInRain: reach(overhangInRain, 'along the falling rain'),
      dryInRain: read(
        'D',
        'share of the bed that rain does not reach',
        dryInRain,
        'places over the bed’s length and width, each followed back along the falling rain to the cloth or past it',
        'share',
      ),
      above:
        above === null
          ? null
          : read('a', 'cloth above the middle of the line between the bed’s ends', above, 'straight up, lain in'),
      headRoom:
        headRoom === null ? null : read('r', 'cloth over the head of who sits', headRoom, 'straight up from the seat'),
      gap: nearest === undefined ? null : gapFigure(nearest),
    },
    slant: Math.atan(Math.hypot(...slant)),
    gaps,
    above,
    wished: wishedAbove(rig),
    headRoom,
  };
}

/** Slant of the rain from upright, with its working. */
function slantFigure(rig: RidgeRig): Figure {
  const wind = derive(
    { symbol: 'V', title: 'mean wind at the roof', quantity: 'speed', formula: 'V = V_B S' },
    [windBySigns(rig.wind.beaufort, 'V_B', 'mean wind in the open'), looked(SHELTERS[rig.wind.shelter])],
    (V, S) => V! * S!,
  );
  return derive(
    { symbol: 'ψ', title: 'rain from upright', quantity: 'angle', formula: 'ψ = atan(V / v_r)' },
    [wind, looked(RAIN_FALLS)],
    (V, v) => Math.atan(V! / v!),
  );
}

/** The least distance of bed, sleeper or strap from the cloth, and between what it is. */
function gapFigure({ what, distance, where, bedCase, roofCase }: Gap): Figure {
  const place = (symbol: string, title: string, value: number): Figure =>
    given({ symbol, title, quantity: 'length' }, value, { kind: 'derived', text: 'read off the solved bed' });
  return derive(
    {
      symbol: 'g',
      title: `${what} to the cloth, at the nearest`,
      quantity: 'length',
      formula: 'g = least |p − q|, p on the bed’s lines, q on the cloth’s panels',
      notes: [`Bed ${bedCase}, roof in its case “${roofCase}”. Cloth that passes through counts as none left.`],
    },
    [
      place('p_x', 'where: along the span from the first tie', where[0]),
      place('p_y', 'where: to the left of the span', where[1]),
      place('p_z', 'where: over the first trunk’s foot', where[2]),
    ],
    () => distance,
  );
}

/** A distance read off the solved roof and bed. */
const read = (
  symbol: string,
  title: string,
  value: number,
  how: string,
  quantity: Figure['quantity'] = 'length',
): Figure => given({ symbol, title, quantity }, value, { kind: 'derived', text: how });

/** Roof above the bed's ends that suits the wind: an arm's reach in fair weather, a forearm when rain drives. */
export function wishedAbove(rig: RidgeRig): number {
  const [low, high] = ROOF_ABOVE;
  // from a gentle breeze at the roof to one that drives the rain at more than half upright
  const share = Math.min(1, Math.max(0, (meanWind(rig) - 1.5) / 4));
  return high + (low - high) * share;
}

/** Whatever lies too near the cloth, nearest first. A head that meets it in sitting up is told apart: it can be bent. */
export const tooNear = (over: RoofOver): readonly Gap[] =>
  over.gaps.filter((g) => g.distance < LEAST_GAP[g.what] && !(g.what === 'person' && g.bedCase === 'sitting'));
