/** Room that something written takes: its middle, and half its width and height, px. */
export interface Written {
  readonly x: number;
  readonly y: number;
  readonly half: number;
  readonly tall: number;
}
/** Width of a letter and half the height of a line of them, about, and how far a handle reaches, px. */
const LETTER = 7.5;
const TALL = 8;
export const DOT = 9;
/** What is written on a line, from its baseline. */
export const writtenAt = (x: number, baseline: number, text: string, anchor: 'start' | 'middle' | 'end'): Written => {
  const half = (LETTER * text.length) / 2;
  return { x: x + (anchor === 'middle' ? 0 : anchor === 'start' ? half : -half), y: baseline - 5, half, tall: TALL };
};
/** Whether two leave each other room. */
export const apart = (a: Written, b: Written): boolean =>
  Math.abs(a.x - b.x) >= a.half + b.half || Math.abs(a.y - b.y) >= a.tall + b.tall;
