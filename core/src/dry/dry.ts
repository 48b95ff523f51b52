import { withWalls } from '../around/index.js';
import { SHELTERS } from '../catalogue/index.js';
import type { PitchModel, TiedRig } from '../pitch/index.js';
import { pitchModel, tieOff } from '../pitch/index.js';
import type { Vec3 } from '../quantity/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { RigProblem } from '../rig/index.js';
import { rainSlant, runOff, INSIDE, RUNS, entry } from '../roof/index.js';
import { dryShare } from '../shelter/index.js';
import { DRY, lyingUnder } from '../under/index.js';
import type { WeatherReading } from '../weather/index.js';
import { windToward } from '../weather/index.js';
import type { Footprint } from './footprint.js';
import { areaOf, dryGround } from './footprint.js';

/** A bed lain in under the roof. */
export interface DryBed {
  readonly name: string;
  /** From end to end, m. */
  readonly line: readonly Vec3[];
}

/** Something to be kept dry, and the share of it that rain does not reach. */
export interface KeptDry {
  readonly id: string;
  readonly kind: 'sleeper' | 'pack' | 'bed';
  readonly name: string;
  readonly dry: number;
}

/** An hour of the forecast under the roof as it is pitched. */
export interface DryHour {
  /** Milliseconds since 1970, UTC. */
  readonly time: number;
  /** Mean wind at the roof, m/s, and where it comes from, rad. */
  readonly wind: number;
  readonly from: number;
  /** mm an hour. */
  readonly rain: number;
  /** From upright, rad. */
  readonly slant: number;
  readonly footprint: Footprint;
  /** Of the footprint, m2. */
  readonly area: number;
  readonly things: readonly KeptDry[];
  /** What runs into a pail at the roof's best place, litres an hour. */
  readonly pail: number;
}

/** A side brought lower, so that nothing gets wet any more in any hour. */
export interface Lowered {
  readonly side: 'left' | 'right' | 'both';
  /** Heights of both edges, m. */
  readonly to: readonly [number, number];
  readonly rig: RidgeRig;
}

/** Water that runs in along a cord that ties the roof to a tree. */
export interface CordWater {
  readonly id: string;
  readonly name: string;
  /** Where a drip line belongs, m along the cord from the tree; null where the cord is too short for one. */
  readonly at: number | null;
  /** Slope of the cord there, rad, falling toward the roof. */
  readonly falls: number;
}

export interface DryNight {
  readonly hours: readonly DryHour[];
  /** The roof's best place for a pail, on the plan, m, and its share of the roof's rain. */
  readonly pail: { readonly at: readonly [number, number]; readonly share: number } | null;
  /** Everything that rain reaches in some hour, with the first and the worst of them. */
  readonly wet: readonly {
    readonly thing: KeptDry;
    readonly first: number;
    readonly worst: { readonly time: number; readonly dry: number };
    readonly hours: number;
  }[];
  /** The least change of a side that keeps all of it dry; null where none does, and where nothing gets wet. */
  readonly lowered: Lowered | null;
  readonly cords: readonly CordWater[];
}

/** Less is no rain, mm an hour: a drizzle that wets nobody in a night. */
const RAINS = 0.1;
/** A side is lowered by so much at a time, m, and no lower than this. */
const STEP = 0.1;
const LOWEST = 0.1;

/** Rain of an hour over a rig, level way for every metre of fall. */
const slantIn = (rig: RidgeRig, wind: number, from: number): readonly [number, number] =>
  rainSlant(wind, windToward(from, rig.pitch!.bearing));

/**
 * What stays dry under a roof, hour by hour of a forecast: the ground, who and what lies on it, and the bed; what a pail catches; the
 * side to lower where somebody gets wet; and where water runs in along cords. The roof is the one as pitched, in still air.
 * @param bed as it hangs lain in; null where there is none
 * @throws RigProblem where the rig cannot be computed or finds no rest as pitched; RangeError for an empty forecast
 */
export function dryNight(
  rig: RidgeRig,
  context: RigContext,
  bed: DryBed | null,
  forecast: readonly WeatherReading[],
): DryNight {
  if (forecast.length === 0) throw new RangeError('forecast: no hours; at least one is needed');
  const roof = stands(rig, context);
  const shelter = SHELTERS[rig.wind.shelter].typical;
  const { drips } = roof.run;
  const best = drips[0];
  const hours = forecast.map((r): DryHour => {
    const wind = r.wind * shelter;
    const slant = slantIn(rig, wind, r.from);
    const kept = withWalls(roof, rig.walls ?? [], roof.ground);
    const footprint = dryGround(kept.corners, kept.at, slant, roof.ground);
    const area = areaOf(footprint);
    return {
      ...{ time: r.time, wind, from: r.from, rain: r.rain, footprint, area },
      slant: Math.atan(Math.hypot(...slant)),
      things: thingsUnder(rig, roof, bed, slant),
      // all that the roof keeps off the ground runs off it; what a wall keeps off does not
      pail:
        best === undefined
          ? 0
          : (kept === roof ? area : areaOf(dryGround(roof.corners, roof.at, slant, roof.ground))) * r.rain * best.share,
    };
  });
  const wet = wetIn(hours);
  return {
    hours,
    pail: best === undefined ? null : { at: [roof.at[3 * best.node]!, roof.at[3 * best.node + 1]!], share: best.share },
    wet,
    lowered: wet.length === 0 ? null : lowered(rig, context, bed, hours),
    cords: cordsInto(roof),
  };
}

interface Standing {
  readonly model: PitchModel;
  readonly tied: TiedRig;
  readonly corners: Int32Array;
  readonly at: Float64Array;
  readonly ground: (x: number, y: number) => number;
  readonly run: ReturnType<typeof runOff>;
}

/** A rig as it stands pitched. */
function stands(rig: RidgeRig, context: RigContext): Standing {
  const model = pitchModel(rig, context, { ranges: false });
  const tied = tieOff(model);
  const { converged, at } = tied.pitched.numbers;
  if (!converged)
    throw new RigProblem('pitch', 'As pitched the roof finds no rest, so nothing can be said of what it keeps dry.');
  const { ground } = model.layout.setting;
  return {
    model,
    tied,
    corners: model.overhead.corners,
    at,
    ground,
    run: runOff(model.overhead, model.neighbours, at, ground),
  };
}

/** Who and what is kept dry, and by how much, in one rain. */
function thingsUnder(
  rig: RidgeRig,
  { corners, at, ground }: Pick<Standing, 'corners' | 'at' | 'ground'>,
  bed: DryBed | null,
  slant: readonly [number, number],
): KeptDry[] {
  const walls = rig.walls ?? [];
  const under = lyingUnder({ corners, at, ground, slant, upwind: null, walls });
  const kept = withWalls({ corners, at }, walls, ground);
  const lying = (rig.under ?? []).map((l): KeptDry => ({ id: l.id, kind: l.kind, name: l.name, dry: under.dry(l) }));
  return bed === null
    ? lying
    : [...lying, { id: 'bed', kind: 'bed', name: bed.name, dry: dryShare(bed.line, kept, slant) }];
}

const rains = ({ rain }: Pick<DryHour, 'rain'>): boolean => rain >= RAINS;

function wetIn(hours: readonly DryHour[]): DryNight['wet'] {
  return (hours[0]?.things ?? []).flatMap(({ id }) => {
    const bad = hours.flatMap((h) => {
      const thing = h.things.find((t) => t.id === id)!;
      return rains(h) && thing.dry < DRY ? [{ time: h.time, thing }] : [];
    });
    const [first] = bad;
    if (first === undefined) return [];
    const worst = bad.reduce((a, b) => (b.thing.dry < a.thing.dry ? b : a));
    return [
      {
        thing: worst.thing,
        first: first.time,
        worst: { time: worst.time, dry: worst.thing.dry },
        hours: bad.length,
      },
    ];
  });
}

/** The least lowering of one side, or of both, after which nothing gets wet in any hour: tried from the least on, each solved anew. */
function lowered(rig: RidgeRig, context: RigContext, bed: DryBed | null, hours: readonly DryHour[]): Lowered | null {
  const wet = hours.filter(rains);
  const [left, right] = rig.pitch!.shape.edges;
  const down = (edge: number, k: number): number => Math.max(LOWEST, Math.round((edge - k * STEP) * 100) / 100);
  for (let k = 1; k * STEP < Math.max(left, right); k++) {
    const tries: readonly { readonly side: Lowered['side']; readonly to: readonly [number, number] }[] = [
      { side: 'left', to: [down(left, k), right] },
      { side: 'right', to: [left, down(right, k)] },
      { side: 'both', to: [down(left, k), down(right, k)] },
    ];
    for (const { side, to } of tries) {
      if (to[0] >= left && to[1] >= right) continue;
      const next: RidgeRig = {
        ...rig,
        pitch: { ...rig.pitch!, shape: { ...rig.pitch!.shape, edges: [to[0], to[1]] } },
      };
      let roof: Standing;
      try {
        roof = stands(next, context);
      } catch (error) {
        // a side that cannot come so low is no answer
        if (error instanceof RigProblem) continue;
        throw error;
      }
      const dry = wet.every((h) =>
        thingsUnder(next, roof, bed, slantIn(next, h.wind, h.from)).every((t) => t.dry >= DRY),
      );
      if (dry) return { side, to, rig: next };
    }
  }
  return null;
}

/** A line under the cloth is looked for so far below it, m: it hangs from it by no more. */
const BELOW = 0.06;

/** Cords from trees along which water runs in under the roof, or onto its edge. */
function cordsInto({ model, tied, corners, at }: Standing): CordWater[] {
  const { structure: s } = tied.engine;
  const place = (n: number): Vec3 => [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
  return model.members.flatMap((m, k): CordWater[] => {
    if (m.role !== 'ridge' && m.role !== 'tie') return [];
    const i = tied.line[k]!;
    const first = i + s.passStart[i]!;
    const last = i + s.passStart[i + 1]!;
    const path = [
      place(s.stretchFrom[first]!),
      ...Array.from({ length: last - first + 1 }, (_, j) => place(s.stretchTo[first + j]!)),
    ];
    const ends = m.role === 'ridge' ? ([0, 1] as const) : ([m.end] as const);
    return ends.flatMap((end): CordWater[] => {
      const outward = m.role === 'tie' ? s.nodeId[s.stretchFrom[first]!] === m.foot : end === 0;
      const walk = outward ? path : [...path].reverse();
      const into = entry(
        walk.map((p): Vec3 => [p[0], p[1], p[2] - BELOW]),
        corners,
        { at },
      );
      const met = into ?? endOf(walk);
      if (!(met.slope < -RUNS)) return [];
      const name = m.role === 'ridge' ? `ridgeline from ${model.rig.trunks[end].name}` : m.name;
      return [{ id: `${m.id} ${end}`, name, at: met.edge > 2 * INSIDE ? met.edge - INSIDE : null, falls: -met.slope }];
    });
  });
}

/** The cloth's end of a cord that comes under no cloth: it is tied to the edge. */
function endOf(walk: readonly Vec3[]): { readonly edge: number; readonly slope: number } {
  let edge = 0;
  for (let k = 0; k + 1 < walk.length; k++)
    edge += Math.hypot(...([0, 1, 2] as const).map((c) => walk[k + 1]![c] - walk[k]![c]));
  const [a, b] = [walk.at(-2)!, walk.at(-1)!];
  return { edge, slope: Math.atan2(b[2] - a[2], Math.hypot(b[0] - a[0], b[1] - a[1])) };
}
