import type { Row } from '../rig/index.js';
import type { Judged } from '../strength/index.js';
import { slides } from '../strength/index.js';
import type { PitchResult } from './evaluate.js';

/** What lets go first as the wind rises: the link, and the gust at the roof in which it does, m/s; 0 without any wind. */
export interface GivesFirst {
  readonly row: Row;
  readonly judged: Judged;
  /** null where nothing lets go in any wind tried: the link with least to spare then. */
  readonly gust: number | null;
}

/** The link that lets go in the least wind; among those that no wind tears, the one with least to spare. Null where nothing pulls. */
export function givesFirst(r: Pick<PitchResult, 'rows' | 'letsGo'>): GivesFirst | null {
  const byId = new Map(r.rows.flatMap((row) => row.links.map((judged) => [judged.link.id, { row, judged }] as const)));
  for (const { id, gust } of r.letsGo) {
    const found = byId.get(id);
    if (found !== undefined && gust !== null) return { ...found, gust };
  }
  // a hitch's ratio does not go with the wind: it gives first only where it slips
  const all = [...byId.values()].filter(({ judged }) => Number.isFinite(judged.judgement.ratio));
  const loaded = all.filter(({ judged }) => !slides(judged.link.kind) || judged.judgement.ratio < 1);
  const least = (loaded.length > 0 ? loaded : all).sort(
    (a, b) => a.judged.judgement.ratio - b.judged.judgement.ratio,
  )[0];
  return least === undefined ? null : { ...least, gust: null };
}

/** Whether every case came to rest and was checked: nothing is passed otherwise. */
export const allSolved = (r: PitchResult): boolean => r.cases.every((c) => c.converged && !c.luffing);
