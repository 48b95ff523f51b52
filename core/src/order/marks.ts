import type { RidgeRig } from '../rig/index.js';
import type { RigReport } from '../shelter/index.js';

/** A line that is marked bright where people walk, or dulled so that nobody sees it, and why. */
export interface MarkedLine {
  /** Its row in the ledger. */
  readonly id: string;
  readonly name: string;
  readonly why: 'trips' | 'throat' | 'stays' | 'above' | 'under-cloth';
}

/** Heights at which a line across one's way catches a throat or a face, m. Judgement: a child's chest to a tall one's brow. */
const THROAT = [0.7, 2] as const;

/**
 * Which lines to mark bright where people walk, and which are dulled where a camp is not to be seen: no line is dulled that
 * somebody can walk into.
 */
export function marksOf(
  rig: RidgeRig,
  report: RigReport,
): { readonly bright: MarkedLine[]; readonly dull: MarkedLine[] } {
  const bright: MarkedLine[] = [];
  const dull: MarkedLine[] = [];
  for (const g of report.roof?.guys ?? []) {
    if (g.kind === 'guy') (g.trips ? bright : dull).push({ id: g.id, name: g.name, why: g.trips ? 'trips' : 'above' });
    else if (g.kind === 'peg') dull.push({ id: g.id, name: g.name, why: 'under-cloth' });
  }
  for (const row of report.rows) {
    if (row.role === 'stay') bright.push({ id: row.id, name: row.name, why: 'stays' });
    if (row.role !== 'ridge') continue;
    const heights = rig.trunks.map((t) => t.tieHeight - (report.line?.sag.value ?? report.roof?.sag ?? 0));
    const catches = heights.some((h) => h > THROAT[0] && h < THROAT[1]);
    (catches ? bright : dull).push({ id: row.id, name: row.name, why: catches ? 'throat' : 'above' });
  }
  return { bright, dull };
}
