import type { Quantity } from '../quantity/index.js';
import type { Range } from '../quantity/index.js';

/** Where a number that is not itself computed came from. */
export interface Source {
  readonly kind:
    'measured' | 'chosen' | 'printed' | 'standard' | 'published test' | 'handbook' | 'derived' | 'judgement';
  /** Plain words: "paced, nine paces", "catalogue". */
  readonly text: string;
  readonly citation?: string;
}

/**
 * A number that carries its own derivation: what it is, the formula it was computed by, the
 * numbers put in (each a figure itself), where given numbers came from, and its 5-95 % range.
 */
export interface Figure {
  readonly symbol: string;
  readonly title: string;
  readonly value: number;
  readonly quantity: Quantity;
  readonly range?: Range;
  readonly source?: Source;
  readonly formula?: string;
  readonly inputs?: readonly Figure[];
  readonly notes?: readonly string[];
}

/** What a figure is before it has a value. */
export interface FigureName {
  readonly symbol: string;
  readonly title: string;
  readonly quantity: Quantity;
  readonly notes?: readonly string[];
}

/** A figure that was measured, chosen or looked up. */
export function given(name: FigureName, value: number, source: Source, range?: Range): Figure {
  return range !== undefined && range[1] > range[0] ? { ...name, value, source, range } : { ...name, value, source };
}

/**
 * A figure computed from others. The value and the stated formula stand side by side, and the range is
 * found by moving each input to the ends of its own range with the others held, and adding the effects
 * as independent ones (root of the sum of squares, low and high side apart). Where that passes zero although no input by itself
 * takes the value there, the low side is added in logarithms instead: what holds something does not hold less than nothing.
 * @param compute  takes the inputs' values in order; must be a pure function
 * @throws whatever `compute` throws at the central values; at the ends of ranges a throw or a
 *         non-finite value leaves that side out and says so in the notes
 */
export function derive(
  name: FigureName & { readonly formula: string },
  inputs: readonly Figure[],
  compute: (...values: number[]) => number,
): Figure {
  const values = inputs.map((f) => f.value);
  const value = compute(...values);
  let below = 0;
  let above = 0;
  let inLogs = 0;
  let lost = false;
  inputs.forEach((input, i) => {
    if (input.range === undefined || input.range[1] === input.range[0]) return;
    let least = value;
    let most = value;
    for (const end of input.range) {
      const moved = values.slice();
      moved[i] = end;
      let v = Number.NaN;
      try {
        v = compute(...moved);
      } catch {
        // outside what the formula allows: said in the notes below
      }
      if (!Number.isFinite(v)) {
        lost = true;
        continue;
      }
      least = Math.min(least, v);
      most = Math.max(most, v);
    }
    below += (value - least) ** 2;
    above += (most - value) ** 2;
    inLogs += least > 0 && value > 0 ? Math.log(value / least) ** 2 : Number.POSITIVE_INFINITY;
  });
  const notes = lost
    ? [
        ...(name.notes ?? []),
        'Part of the range lies where the rig cannot be as described; the range shown leaves it out.',
      ]
    : name.notes;
  const figure: Figure = { ...name, ...(notes === undefined ? {} : { notes }), value, inputs };
  return below + above > 0 && Number.isFinite(value)
    ? { ...figure, range: [lowEnd(value, Math.sqrt(below), inLogs), value + Math.sqrt(above)] }
    : figure;
}

/** Low end of a value's range. @param below what the inputs take off together, and `inLogs` the squares of their shares' logarithms */
function lowEnd(value: number, below: number, inLogs: number): number {
  const low = value - below;
  return value > 0 && low <= 0 && Number.isFinite(inLogs) ? value * Math.exp(-Math.sqrt(inLogs)) : low;
}
