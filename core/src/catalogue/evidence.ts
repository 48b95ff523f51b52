import type { Quantity } from '../quantity/index.js';
import type { Figure, Source } from '../working/index.js';
import { given } from '../working/index.js';

/** A number of the catalogue: its range (5 % to 95 %), what kind of evidence there is, and where. SI. */
export interface Constant {
  readonly symbol: string;
  readonly title: string;
  readonly quantity: Quantity;
  readonly low: number;
  readonly typical: number;
  readonly high: number;
  readonly kind: Exclude<Source['kind'], 'chosen'>;
  readonly citation: string;
}

export const EVIDENCE_WORDS: Readonly<Record<Constant['kind'], string>> = {
  printed: 'the maker’s word',
  measured: 'your own measure',
  standard: 'a public standard',
  'published test': 'published tests',
  handbook: 'handbooks',
  derived: 'worked out from other numbers',
  judgement: 'judgement: no test is known to us',
};

/** A catalogue number never changes: its figure is made once. */
const figures = new WeakMap<Constant, Figure>();

/** A catalogue number as a figure that carries its range and source into workings. */
export function looked(c: Constant): Figure {
  let figure = figures.get(c);
  if (figure === undefined) {
    figure = given(
      { symbol: c.symbol, title: c.title, quantity: c.quantity },
      c.typical,
      {
        kind: c.kind,
        text: c.kind === 'printed' || c.kind === 'measured' ? 'in your kit' : `catalogue, ${EVIDENCE_WORDS[c.kind]}`,
        citation: c.citation,
      },
      [c.low, c.high],
    );
    figures.set(c, figure);
  }
  return figure;
}
