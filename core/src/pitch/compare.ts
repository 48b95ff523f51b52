import type { Row } from '../rig/index.js';
import { ratioOf } from '../rig/index.js';
import type { Judged } from '../strength/index.js';

/** One line as it is in each of two rigs; null where a rig has no such line. */
export interface ComparedRow {
  readonly id: string;
  readonly name: string;
  readonly rows: readonly [Row | null, Row | null];
  /** What governs it in each. */
  readonly governs: readonly [Judged | null, Judged | null];
  /** Which rig it is nearer to letting go in; null where they are alike. */
  readonly weaker: 0 | 1 | null;
}

/** Ratios nearer than this are alike: nobody could tell them apart. */
const ALIKE = 0.02;

/** Rows of two judged rigs, what differs most first; lines are the same where they have the same place in the form. */
export function compareRigs(a: readonly Row[], b: readonly Row[]): ComparedRow[] {
  const ids = [...new Set([...a, ...b].map((r) => r.id))];
  const find = (r: readonly Row[], id: string): Row | null => r.find((x) => x.id === id) ?? null;
  const apart = (rows: ComparedRow['rows']): number => {
    const [p, q] = rows;
    if (p === null || q === null) return Number.POSITIVE_INFINITY;
    const [x, y] = [ratioOf(p), ratioOf(q)];
    if (x === y) return 0;
    return Math.abs(Math.log(Math.max(x, 1e-6) / Math.max(y, 1e-6)));
  };
  return ids
    .map((id): ComparedRow & { readonly apart: number } => {
      const rows = [find(a, id), find(b, id)] as const;
      const far = apart(rows);
      const [p, q] = rows;
      return {
        id,
        name: (p ?? q)!.name,
        rows,
        governs: [p?.links[0] ?? null, q?.links[0] ?? null],
        weaker: p === null || q === null || far < ALIKE ? null : ratioOf(p) < ratioOf(q) ? 0 : 1,
        apart: far,
      };
    })
    .sort((x, y) => y.apart - x.apart)
    .map(({ apart: _apart, ...row }) => row);
}
