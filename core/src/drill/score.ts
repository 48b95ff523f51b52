import type { Drill, Guess } from './drill.js';

/** How a guess fared. */
export interface Score {
  /** Natural logarithm of the guess over the truth: 0 is right, ±0.69 twice or half. Null where there is none, as of a choice. */
  readonly error: number | null;
  /** Near enough to count as known. */
  readonly near: boolean;
  /** 1 again, 2 hard, 3 good, 4 easy: what spacing goes by. */
  readonly grade: 1 | 2 | 3 | 4;
}

/** Guesses within these of the truth are easy, good and hard, as factors; within the second they are near. Judgement. */
const FACTORS = [1.15, 1.4, 2] as const;

/** @throws RangeError for a guess of another form than is asked for, or a number that is not positive */
export function scoreOf({ asked }: Pick<Drill, 'asked'>, { said }: Guess): Score {
  if (asked.form === 'choice') {
    if (typeof said !== 'string') throw new RangeError('A choice is asked for.');
    return said === asked.truth ? { error: null, near: true, grade: 3 } : { error: null, near: false, grade: 1 };
  }
  if (typeof said !== 'number' || !(said > 0)) throw new RangeError('A positive number is asked for.');
  const error = Math.log(said / asked.truth);
  if (asked.whole) {
    const off = Math.abs(said - asked.truth);
    return { error, near: off === 0, grade: off === 0 ? 3 : off === 1 ? 2 : 1 };
  }
  const off = Math.abs(error);
  const [easy, good, hard] = FACTORS.map(Math.log) as [number, number, number];
  return { error, near: off <= good, grade: off <= easy ? 4 : off <= good ? 3 : off <= hard ? 2 : 1 };
}
