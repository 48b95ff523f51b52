import type { Picture, Point } from '../picture/index.js';

/** A picture with an arrow into it from where the wind comes. @param from the way to there, as the picture lies, y down; a unit vector */
export function withWind(picture: Picture, [wx, wy]: Point): Picture {
  const { width, height } = picture;
  const far = 0.47 * Math.min(width, height);
  const put = (out: number, aside: number): Point => [
    width / 2 + out * wx - aside * wy,
    height / 2 + out * wy + aside * wx,
  ];
  const tip = 0.72 * far;
  return {
    ...picture,
    strokes: [
      ...picture.strokes,
      ...[-14, 0, 14].map((aside) => ({
        pen: 'guide' as const,
        rings: [
          [put(far, aside), put(tip, aside)],
          [put(tip + 8, aside - 4), put(tip, aside), put(tip + 8, aside + 4)],
        ],
        closed: false,
      })),
    ],
  };
}
