import type { Net, NetNode, TensionCurve } from '../net/index.js';
import { numbersOf, prepare, solve, strainAt } from '../net/index.js';
import type { LoadPiece } from './body.js';
import { shareOut } from './body.js';
import { BED_PARTS } from './hang.js';
import type { StrapSet } from './kit.js';

/** A bed with someone in it, whatever it hangs from. */
export interface LainBed {
  /** Unstressed, m, and the weight of cloth and cords, N. */
  readonly length: number;
  readonly cloth: TensionCurve;
  readonly weight: number;
  readonly ridge: { readonly length: number; readonly curve: TensionCurve } | null;
  readonly loads: readonly LoadPiece[];
}

/** The bed held apart by a level pull. */
interface Held {
  readonly H: number;
  /** Level way from end to end, m. */
  readonly chord: number;
  /** Upward pulls of the ends, N. */
  readonly up: readonly [number, number];
  /** Lowest place under the first end, m, and its level way from there. */
  readonly low: number;
  readonly lowAt: number;
}

/** Level pulls looked at, as shares of the whole weight: straps from steep to flat. */
const PULLS = [0.3, 0.42, 0.55, 0.7, 0.85, 1, 1.2, 1.45, 1.8, 2.3, 3] as const;

/** What a bed does between ends pulled apart, its second end higher by `rise`, for every level pull. */
function tableOf(bed: LainBed, rise: number): Held[] {
  const whole = bed.weight + bed.loads.reduce((sum, p) => sum + p.force, 0);
  const nodes: NetNode[] = [];
  const shares = shareOut(bed.loads, bed.length, BED_PARTS);
  const start = bed.ridge === null ? 0.83 * bed.length : Math.min(0.97 * bed.length, bed.ridge.length);
  for (let k = 0; k <= BED_PARTS; k++) {
    const s = k / BED_PARTS;
    nodes.push({
      id: `b${k}`,
      at: [s * start, 0, s * rise - 0.6 * bed.length * Math.min(s, 1 - s)],
      ...(k === 0 ? { fixed: true } : k === BED_PARTS ? { fixed: [false, true, true] as const } : {}),
      load: [0, 0, -shares[k]! - (bed.weight / BED_PARTS) * (k === 0 || k === BED_PARTS ? 0.5 : 1)],
    });
  }
  const unit = [
    [0, 0],
    [1, 1],
  ] as const;
  const net: Net = {
    format: 'rough-bight/net@1',
    nodes,
    lines: [
      ...Array.from({ length: BED_PARTS }, (_, k) => ({
        id: `c${k}`,
        from: `b${k}`,
        to: `b${k + 1}`,
        restLength: bed.length / BED_PARTS,
        curve: unit,
      })),
      ...(bed.ridge === null
        ? []
        : [{ id: 'ridge', from: 'b0', to: `b${BED_PARTS}`, restLength: bed.ridge.length, curve: unit }]),
    ],
  };
  const engine = prepare(net);
  const { structure: s } = engine;
  for (let k = 0; k < BED_PARTS; k++) s.curve[k] = bed.cloth;
  if (bed.ridge !== null) s.curve[BED_PARTS] = bed.ridge.curve;
  const end = 3 * BED_PARTS;
  const out: Held[] = [];
  for (const share of PULLS) {
    s.load[end] = share * whole;
    const numbers = numbersOf(engine, solve(engine));
    if (!numbers.converged) continue;
    let lowest = 0;
    for (let k = 1; k <= BED_PARTS; k++) if (numbers.at[3 * k + 2]! < numbers.at[3 * lowest + 2]!) lowest = k;
    out.push({
      H: share * whole,
      chord: numbers.at[end]! - numbers.at[0]!,
      up: [numbers.reaction[2]!, numbers.reaction[end + 2]!],
      low: numbers.at[3 * lowest + 2]! - numbers.at[2]!,
      lowAt: numbers.at[3 * lowest]! - numbers.at[0]!,
    });
  }
  return out;
}

/** The table between its rows. */
function heldAt(table: readonly Held[], H: number): Held {
  let k = 0;
  while (k + 2 < table.length && table[k + 1]!.H < H) k++;
  const [a, b] = [table[k]!, table[k + 1]!];
  const f = (H - a.H) / (b.H - a.H);
  const mix = (p: number, q: number): number => p + f * (q - p);
  return {
    H,
    chord: mix(a.chord, b.chord),
    up: [mix(a.up[0], b.up[0]), mix(a.up[1], b.up[1])],
    low: mix(a.low, b.low),
    lowAt: mix(a.lowAt, b.lowAt),
  };
}

/** What a way of setting both straps comes to. */
export interface Setting {
  readonly sets: readonly [StrapSet, StrapSet];
  /** Angle of each strap below level, rad. */
  readonly angles: readonly [number, number];
  /** Heights of the straps over the bed's lowest place, m, and how far along that is from the first anchor. */
  readonly over: readonly [number, number];
  readonly lowAt: number;
  /** Middle of the bed's ends from the first anchor, m. */
  readonly middle: number;
  readonly H: number;
}

/** Both straps between anchors for one pair of ways. */
export interface Between {
  /** Level way between the anchors, m. */
  readonly span: number;
  readonly strap: TensionCurve;
  /** How far both anchors together give per newton, m/N. */
  readonly give: number;
}

/**
 * Every pair of ways of setting the straps, each with the angle and the heights at which the bed lies as wished: none is
 * left out. The bed alone is solved for a row of level pulls; each pair then closes the span with one unknown, the pull.
 * @param rise of the bed's second end over its first, m
 */
export function settingsOf(
  bed: LainBed,
  between: Between,
  choices: readonly [readonly StrapSet[], readonly StrapSet[]],
  rise: number,
): Setting[] {
  const table = tableOf(bed, rise);
  if (table.length < 2) return [];
  const [least, most] = [table[0]!.H, table.at(-1)!.H];
  const out: Setting[] = [];
  const strapAt = (h: Held, i: 0 | 1, free: number): { readonly level: number; readonly upright: number } => {
    const T = Math.hypot(h.H, h.up[i]);
    const long = free * (1 + strainAt(between.strap, T));
    return { level: (long * h.H) / T, upright: (long * h.up[i]) / T };
  };
  for (const first of choices[0])
    for (const second of choices[1]) {
      const over = (H: number): number => {
        const h = heldAt(table, H);
        return (
          strapAt(h, 0, first.free).level + h.chord + strapAt(h, 1, second.free).level - between.span + between.give * H
        );
      };
      // the farther apart the ends are pulled, the more they reach
      if (over(least) > 0 || over(most) < 0) continue;
      let [a, b] = [least, most];
      for (let k = 0; k < 34; k++) {
        const H = 0.5 * (a + b);
        if (over(H) > 0) b = H;
        else a = H;
      }
      const h = heldAt(table, 0.5 * (a + b));
      const [s0, s1] = [strapAt(h, 0, first.free), strapAt(h, 1, second.free)];
      out.push({
        sets: [first, second],
        angles: [Math.atan2(h.up[0], h.H), Math.atan2(h.up[1], h.H)],
        over: [s0.upright - h.low, s1.upright + rise - h.low],
        lowAt: s0.level + h.lowAt,
        middle: s0.level + h.chord / 2,
        H: h.H,
      });
    }
  return out;
}
