import type { At, Drill, Guess } from './drill.js';

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

/** A direction within these of the true one is easy, good and hard, rad; a foot much too near or far out is hard at best. Judgement. */
const ANGLES = [0.09, 0.21, 0.44] as const;
const REACH = 1.6;

/** Of a foot: between its direction from the tie-out and the true one, rad, and how many times as far out. */
export function footOff(
  { from, truth }: Extract<Drill['asked'], { readonly form: 'place' }>,
  said: At,
): { readonly turned: number; readonly out: number } {
  const [ax, ay] = [said[0] - from[0], said[1] - from[1]];
  const [bx, by] = [truth[0] - from[0], truth[1] - from[1]];
  return {
    turned: Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)),
    out: Math.hypot(ax, ay) / Math.hypot(bx, by),
  };
}

/** @throws RangeError for a guess of another form than is asked for, or a number that is not positive */
export function scoreOf({ asked }: Pick<Drill, 'asked'>, { said }: Guess): Score {
  if (asked.form === 'choice') {
    if (typeof said !== 'string') throw new RangeError('A choice is asked for.');
    return said === asked.truth ? { error: null, near: true, grade: 3 } : { error: null, near: false, grade: 1 };
  }
  if (asked.form === 'place') {
    if (typeof said !== 'object') throw new RangeError('A place is asked for.');
    const { turned, out } = footOff(asked, said);
    const level = ANGLES.findIndex((a) => turned <= a);
    const reaches = out <= REACH && out >= 1 / REACH;
    const grade = level < 0 ? 1 : reaches ? ([4, 3, 2] as const)[level]! : 2;
    return { error: null, near: grade >= 3, grade };
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
