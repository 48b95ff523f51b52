import type { CaseWind, LoadCase } from '../cases/index.js';
import { gustCase } from '../cases/index.js';
import { AIR_DENSITY } from '../catalogue/index.js';
import type { Energy, Motion } from '../net/index.js';
import { energyOf, motionOf, moveOn } from '../net/index.js';
import { layCase } from '../pitch/index.js';
import type { TiedRig } from '../pitch/index.js';
import type { Vec3 } from '../quantity/index.js';
import { SHEET_LAW, canopyPressures, windAt, windToward } from '../weather/index.js';
import type { WindSeries } from '../weather/index.js';
import { bodiesOf } from './bodies.js';

/** Displayed frames a second. */
export const FRAMES = 60;
/** The wind rises from none to the series' first in so long before it begins, s: nothing of that is counted. */
export const RISE = 3;
/**
 * What cord, cloth and bark take from a motion, 1/s: 2 % of critical at 5 Hz. Judgement, 0.4 to 4: the air takes far more, and that
 * is counted by itself.
 */
const DRAG = 1.2;
/** What takes the ringing out of what is quicker than any frame shows, s: 3 % of critical at a kilohertz. */
const INNER = 1e-5;
/** Shortest step, s: what would ask for less is made heavier, and by how much is said. */
const SHORTEST = 5e-4;

/** A rig's cloth and cords played in gusting wind. */
export interface Gusting {
  readonly rig: TiedRig;
  readonly motion: Motion;
  readonly wind: CaseWind;
  readonly series: WindSeries;
  /** Moves on by one frame. Returns false where nothing has a place any more: the play has ended. */
  next(): boolean;
  /** Wind now, m/s: at the roof. */
  speed(): number;
  /** Largest pull of each line of the net in the last frame, N. */
  readonly pulls: Float64Array;
  /** What the wind has done on the cloth and on what hangs, J, counted part by part as it was done. */
  done(): number;
  /** The energy now. */
  energy(): Energy;
}

/**
 * Readies a rig to be played in gusting wind, from where it stands in still air. Air meets each piece of cloth at the speed at which
 * they come together, so that cloth that gives way is pushed less, and a whole roof feels the same gust at once: it is smaller than
 * gusts are long.
 * @param wind whose bearing and law count; its speed is the series'
 */
export function gustingOf(rig: TiedRig, wind: Omit<CaseWind, 'speed'>, wet: boolean, series: WindSeries): Gusting {
  const { engine, model } = rig;
  const { structure: s, state } = engine;
  const c: LoadCase = gustCase({ ...wind, speed: 1 }, wet);
  const { still, blown } = layCase(rig, c, rig.pitched.stood ?? state.x);
  const motion = motionOf(engine, bodiesOf(rig), { drag: DRAG, inner: INNER, shortest: SHORTEST });
  const toward = windToward(wind.from, model.rig.pitch!.bearing);
  const unit = wind.law === 'plate' ? null : canopyPressures(wind.law, rig.roof, toward, 1);
  const hung = blown.some((f) => f !== 0);
  const pulls = new Float64Array(s.rest.length);
  /** Force of the wind on each panel at the last step, N: it does its work until the next. */
  const before = new Float64Array(3 * s.area.length);
  let done = 0;
  let speed = 0;
  /** Frames since the wind began to rise. */
  let frame = 0;
  const blow = (dt: number): void => {
    const time = motion.time - RISE;
    speed = windAt(series, Math.max(0, time)) * Math.min(1, motion.time / RISE);
    done += pressuresOn(motion, toward, speed, unit, before) * dt;
    if (!hung) return;
    const share = speed * speed;
    for (let i = 0; i < still.length; i++) {
      const load = still[i]! + share * blown[i]!;
      // the load of a moment holds what it does as the height it would fall: what changes is what the wind has put in
      done -= (load - s.load[i]!) * (state.x[i]! - s.at[i]!);
      s.load[i] = load;
    }
  };
  return {
    rig,
    motion,
    wind: { ...wind, speed: 1 },
    series,
    pulls,
    next() {
      motion.peak.fill(0);
      const going = moveOn(motion, 1 / FRAMES, blow);
      pulls.set(motion.peak);
      frame++;
      return going && frame < FRAMES * 3600;
    },
    speed: () => speed,
    done: () => done,
    energy: () => energyOf(motion, motion.step),
  };
}

/**
 * Sets the wind's pressure on every panel by the air that comes to it as both move.
 * @param unit   pressures of the law for a velocity pressure of 1 Pa; null for the plate law, which goes by how each panel faces that air
 * @param force  of each panel at the last step, N; set to what it is now
 * @returns      what the wind does at the speeds half a step ago, W, half of it by the last forces and half by these
 */
function pressuresOn(
  { engine, velocity: v }: Motion,
  toward: Vec3,
  speed: number,
  unit: Float64Array | null,
  force: Float64Array,
): number {
  const { structure: s, state } = engine;
  const { x } = state;
  const half = 0.5 * AIR_DENSITY.typical;
  let power = 0;
  for (let i = 0; i < s.area.length; i++) {
    const a = 3 * s.corner[3 * i]!;
    const b = 3 * s.corner[3 * i + 1]!;
    const c = 3 * s.corner[3 * i + 2]!;
    const [ux, uy, uz] = [x[b]! - x[a]!, x[b + 1]! - x[a + 1]!, x[b + 2]! - x[a + 2]!];
    const [vx, vy, vz] = [x[c]! - x[a]!, x[c + 1]! - x[a + 1]!, x[c + 2]! - x[a + 2]!];
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const nz = ux * vy - uy * vx;
    const twice = Math.sqrt(nx * nx + ny * ny + nz * nz);
    const mx = (v[a]! + v[b]! + v[c]!) / 3;
    const my = (v[a + 1]! + v[b + 1]! + v[c + 1]!) / 3;
    const mz = (v[a + 2]! + v[b + 2]! + v[c + 2]!) / 3;
    const rx = speed * toward[0] - mx;
    const ry = speed * toward[1] - my;
    const rz = speed * toward[2] - mz;
    const air = Math.sqrt(rx * rx + ry * ry + rz * rz);
    let p = 0;
    if (twice > 0 && air > 0)
      if (unit === null) p = half * air * air * SHEET_LAW.coefficient((nx * rx + ny * ry + nz * rz) / (twice * air));
      else {
        // a canopy's law knows no facing: cloth that moves out of the pressure's way takes as much off it as a plate would
        const own = (nx * mx + ny * my + nz * mz) / twice;
        p = half * (unit[i]! * speed * speed - PLATE * (speed + Math.abs(own)) * own);
      }
    s.pressure[i] = p;
    const [fx, fy, fz] = [(p * nx) / 2, (p * ny) / 2, (p * nz) / 2];
    const o = 3 * i;
    power += (force[o]! + fx) * mx + (force[o + 1]! + fy) * my + (force[o + 2]! + fz) * mz;
    force[o] = fx;
    force[o + 1] = fy;
    force[o + 2] = fz;
  }
  return power / 2;
}

/** Normal-force coefficient of a plate across the flow: Hoerner, Fluid-Dynamic Drag, 1965, ch. 3. */
const PLATE = 1.2;
