import type { CordCut, CordPiece, KitCord } from '../cordage/index.js';
import { MOST_CUTS } from '../cordage/index.js';
import { livesOnRoof } from './need.js';
import type { Plan } from './plan.js';

/** A rest that is too short to be worth keeping, m. Judgement: 0.1 to 0.5. */
export const SCRAP = 0.3;

/** What a plan cuts from one hank, in the order in which it is cut: the longest first. */
export interface Cutting {
  readonly hank: string;
  readonly cuts: readonly {
    /** Id of the piece that it is cut from; null for the hank. */
    readonly piece: string | null;
    readonly length: number;
    /** "mess roof, left corner guy". */
    readonly name: string;
    /** Id of the roof that it lives on from then on. */
    readonly on: string | null;
  }[];
  /** Pieces that go whole to a roof, and live on it from then on. */
  readonly tied: readonly { readonly piece: string; readonly name: string; readonly on: string }[];
}

/** What is cut for a plan, hank by hank. @param nameOf a rig, or the binding, by id */
export function cuttingsOf(plan: Plan, nameOf: (of: string) => string): Cutting[] {
  const byHank = new Map<string, { cuts: Cutting['cuts'][number][]; tied: Cutting['tied'][number][] }>();
  for (const { need, parts } of plan.taken)
    for (const { stock, length, uncut } of parts) {
      const of = byHank.get(stock.hank) ?? { cuts: [], tied: [] };
      byHank.set(stock.hank, of);
      const name = need.role === 'binding' ? need.name : `${nameOf(need.of)}, ${need.name}`;
      const on = livesOnRoof(need) ? need.roof : null;
      if (!uncut) of.cuts.push({ piece: stock.piece, length, name, on });
      else if (stock.piece !== null && on !== null && stock.on === null) of.tied.push({ piece: stock.piece, name, on });
    }
  return [...byHank]
    .filter(([, { cuts, tied }]) => cuts.length + tied.length > 0)
    .map(([hank, { cuts, tied }]) => ({ hank, cuts: cuts.sort((a, b) => b.length - a.length), tied }));
}

const centimetres = (length: number): number => Math.round(length * 100) / 100;

/**
 * A hank after it was cut: what is left of it, the new pieces, and its history.
 * @param at    when, ISO 8601
 * @param newId makes the id of a piece
 */
export function afterCutting(hank: KitCord, { cuts, tied }: Cutting, at: string, newId: () => string): KitCord {
  let { length } = hank;
  let pieces = (hank.pieces ?? []).map((p): CordPiece => {
    const to = tied.find((t) => t.piece === p.id);
    return to === undefined ? p : { ...p, name: to.name.slice(0, 60), on: to.on };
  });
  const history: CordCut[] = [...(hank.cuts ?? [])];
  for (const cut of cuts) {
    if (cut.piece === null) length = Math.max(0, length - cut.length);
    else
      pieces = pieces
        .map((p) => (p.id === cut.piece ? { ...p, length: centimetres(p.length - cut.length) } : p))
        .filter((p) => p.length >= SCRAP);
    const name = cut.name.slice(0, 60);
    pieces.push({ id: newId(), length: cut.length, name, ...(cut.on === null ? {} : { on: cut.on }) });
    history.push({ at, length: cut.length, name: cut.name.slice(0, 120) });
  }
  return { ...hank, length: centimetres(length < SCRAP ? 0 : length), pieces, cuts: history.slice(-MOST_CUTS) };
}
