import type { Quantity, UnitChoice } from './units.js';
import { say } from './units.js';

/** A number of a sentence, SI, still to be said in its reader's units. */
export interface Amount {
  readonly value: number;
  readonly of: Quantity;
}

/** A sentence whose numbers are still numbers: said in its reader's own units, and in SI where nobody has chosen. */
export type Phrase = readonly (string | Amount)[];

/** A number to stand in a phrase, SI. */
export const amount = (value: number, of: Quantity): Amount => ({ value, of });
/** A length to stand in a phrase, m. */
export const metres = (value: number): Amount => amount(value, 'length');

/**
 * A sentence with numbers that are said later: `` phrase`The span is ${metres(4)}.` ``
 * @param parts words and counts stand as they are, amounts are kept, phrases are taken in
 */
export function phrase(text: TemplateStringsArray, ...parts: readonly (string | number | Amount | Phrase)[]): Phrase {
  const out: (string | Amount)[] = [];
  const put = (part: string | Amount): void => {
    const last = out.at(-1);
    if (typeof part === 'string' && typeof last === 'string') out[out.length - 1] = last + part;
    else if (part !== '') out.push(part);
  };
  text.forEach((words, i) => {
    put(words);
    const part = parts[i];
    if (part === undefined) return;
    if (typeof part === 'number') put(String(part));
    else if (Array.isArray(part)) (part as Phrase).forEach(put);
    else put(part as string | Amount);
  });
  return out;
}

/** Units of those who have not chosen: files, the API, the command line. */
export const SI: UnitChoice = { length: 'm', force: 'N' };

/** A phrase in its reader's units. */
export const tell = (said: Phrase, units: UnitChoice = SI): string =>
  said.map((part) => (typeof part === 'string' ? part : say(part.value, part.of, units))).join('');

/** An error whose sentence keeps its numbers: said in its reader's units, its message in SI. */
export class SaidError extends Error {
  readonly said: Phrase;
  /** @param said words alone, or with numbers */
  constructor(said: Phrase | string) {
    super(typeof said === 'string' ? said : tell(said));
    this.said = typeof said === 'string' ? [said] : said;
  }
}
