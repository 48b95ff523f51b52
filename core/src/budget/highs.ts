import type { Highs, InitOptions, ModelData } from 'highs';
import type { Mip, MipAnswer, SolveMip } from './mip.js';

/** Model states of HiGHS in which there is a solution to take: the best, or the best when time ran out. */
const OPTIMAL = 7;
const TIMED_OUT = 13;
/** A condition may be missed by this in what is returned: measured lengths are rounded to far more. */
const CLOSE = 1e-4;

/**
 * Readies HiGHS, a solver of mixed-integer programs (Huangfu and Hall, Math. Prog. Comp. 10, 2018), when it is first asked for.
 * @param wasm address of its program, where it does not lie beside it
 */
export async function loadSolver(wasm?: string): Promise<SolveMip> {
  const { default: load } = (await import('highs')) as unknown as { default: Load };
  return solveWith(await load(wasm === undefined ? {} : { locateFile: () => wasm }));
}
type Load = (options: InitOptions) => Promise<Highs>;

const solveWith =
  (highs: Highs): SolveMip =>
  (mip, within, from) => {
    const names = namesIn(mip);
    return highs.withModel(dataOf(mip, names), (model): MipAnswer | null => {
      // exact: no share of the cost is let go
      model.options.set({ output_flag: false, time_limit: within, mip_rel_gap: 0, mip_abs_gap: 1e-6, random_seed: 1 });
      model.setSolution({ colValue: Float64Array.from(names, (name) => from.get(name) ?? 0) });
      model.run();
      const status = model.getModelStatus();
      if (status !== OPTIMAL && status !== TIMED_OUT) return null;
      const { colValue } = model.getSolution();
      const values = new Map(
        names.map((name, i): [string, number] => [
          name,
          mip.counts.has(name) ? Math.round(colValue[i]!) : Math.max(0, colValue[i]!),
        ]),
      );
      if (!meets(mip, values)) return null;
      const least = mip.least.reduce((sum, [factor, name]) => sum + factor * values.get(name)!, 0);
      return { values, least, bound: Math.min(least, Number(model.info.get('mip_dual_bound'))) };
    });
  };

function namesIn({ least, where, counts }: Mip): string[] {
  const all = new Set(counts.keys());
  for (const [, name] of least) all.add(name);
  for (const { sum } of where) for (const [, name] of sum) all.add(name);
  return [...all];
}

/** A program as rows of numbers. */
function dataOf({ least, where, counts }: Mip, names: readonly string[]): ModelData {
  const at = new Map(names.map((name, i) => [name, i]));
  const colCost = new Float64Array(names.length);
  for (const [factor, name] of least) colCost[at.get(name)!]! += factor;
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const { sum } of where) {
    const row = new Map<number, number>();
    for (const [factor, name] of sum) row.set(at.get(name)!, (row.get(at.get(name)!) ?? 0) + factor);
    for (const [i, factor] of row) {
      indices.push(i);
      values.push(factor);
    }
    starts.push(indices.length);
  }
  const endless = Number.POSITIVE_INFINITY;
  return {
    numCols: names.length,
    numRows: where.length,
    colCost,
    colLower: new Float64Array(names.length),
    colUpper: Float64Array.from(names, (name) => counts.get(name) ?? endless),
    rowLower: Float64Array.from(where, ({ is, than }) => (is === '<=' ? -endless : than)),
    rowUpper: Float64Array.from(where, ({ is, than }) => (is === '>=' ? endless : than)),
    matrix: {
      format: 'csr',
      numRows: where.length,
      numCols: names.length,
      starts: Int32Array.from(starts),
      indices: Int32Array.from(indices),
      values: Float64Array.from(values),
    },
    integrality: Int32Array.from(names, (name) => Number(counts.has(name))),
  };
}

/** Whether counts that were made whole meet every condition: looked at on what is returned. */
function meets({ where, counts }: Mip, values: ReadonlyMap<string, number>): boolean {
  for (const [name, most] of counts) {
    const value = values.get(name)!;
    if (!(value >= 0 && value <= most)) return false;
  }
  return where.every(({ sum, is, than }) => {
    const total = sum.reduce((t, [factor, name]) => t + factor * values.get(name)!, 0);
    return is === '=' ? Math.abs(total - than) < CLOSE : is === '<=' ? total < than + CLOSE : total > than - CLOSE;
  });
}
