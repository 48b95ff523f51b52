import type { Place } from '../ground/index.js';
import type { Phrase } from '../quantity/index.js';
import { SaidError, phrase, tell } from '../quantity/index.js';

/** What makes a file of places or measures unusable: which feature, waypoint or row, and why. */
export class FileProblem extends SaidError {
  override readonly name = 'FileProblem';
  /** Why, in the units of files. */
  readonly problem: string;
  /**
   * @param where "feature 3", "waypoint “Ford”", "row 7", "file"
   * @param why words alone, or with numbers
   */
  constructor(
    readonly where: string,
    why: Phrase | string,
  ) {
    super(phrase`${where}: ${why}`);
    this.problem = typeof why === 'string' ? why : tell(why);
  }
}

/** A file taken into a place; the place given is untouched. */
export interface TakenIn {
  readonly place: Place;
  /** In a sentence: "12 things replaced what was drawn." */
  readonly done: string;
}

/** Larger files are slips of the hand. */
export const MOST_FILE = 5_000_000;

/** @throws FileProblem for a file too large to be one of these */
export function checkSize(text: string): void {
  if (text.length > MOST_FILE)
    throw new FileProblem(
      'file',
      `has ${(text.length / 1e6).toFixed(1)} million characters; at most ${MOST_FILE / 1e6} million can be read`,
    );
}

/** An id that nothing of the place has yet. */
export function freshId(wanted: string, taken: Set<string>): string {
  const base =
    wanted
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '')
      .slice(0, 50) || 'thing';
  let id = base;
  for (let k = 2; taken.has(id); k++) id = `${base}-${k}`;
  taken.add(id);
  return id;
}

/** Text fit to be a name: control characters out, cut to sixty. */
export function cleanName(text: string, otherwise: string): string {
  const clean = text
    .replaceAll(/\p{Cc}+/gu, ' ')
    .trim()
    .slice(0, 60);
  return clean === '' ? otherwise : clean;
}
