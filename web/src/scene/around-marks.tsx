import { endsOf } from '@rough-bight/core/around';
import type { Wall } from '@rough-bight/core/around';
import { groundOf } from '@rough-bight/core/pitch';
import type { RidgeRig } from '@rough-bight/core/rig';
import { memo } from 'react';
import type { ReactElement } from 'react';
import { paint, wallPaint } from '../app/theme/paint.js';
import type { Frame, Point } from './flat/frame.js';
import { across, svg, upward } from './flat/frame.js';

/** How thick a wall is drawn from above, m. */
const THICK = 0.4;
/** A flame over its wood, px round its middle. */
export const FLAME = 'M-8 6L8 6M-6 9L7 3M0 4C-6 1 -4 -4 -1 -8 0 -4 5 -3 4 1 3 4 1 4 0 4Z';

/** Walls and the fire round a roof, to scale. */
export const AroundMarks = memo(function AroundMarks({
  rig,
  frame,
  span,
}: {
  readonly rig: RidgeRig;
  readonly frame: Frame;
  readonly span: number;
}): ReactElement {
  const ground = groundOf(rig, span);
  const side = frame.view === 'side';
  const fire = rig.fire?.at;
  const flame: Point | null =
    fire === undefined
      ? null
      : [across(frame, fire[0]), upward(frame, side ? ground(...fire) : fire[1]) - (side ? 9 : 0)];
  return (
    <g>
      {(rig.walls ?? []).map((w) => (
        <path key={w.id} data-wall={w.kind} {...wallPaint[w.kind]} d={side ? upright(w) : flat(w)} />
      ))}
      {flame !== null && <path {...paint.planFire} transform={`translate(${flame[0]} ${flame[1]})`} d={FLAME} />}
    </g>
  );

  function flat(w: Wall): string {
    const [nx, ny] = [(-Math.sin(w.toward) * THICK) / 2, (Math.cos(w.toward) * THICK) / 2];
    const [[ax, ay], [bx, by]] = endsOf(w);
    const corners = [
      [ax + nx, ay + ny],
      [bx + nx, by + ny],
      [bx - nx, by - ny],
      [ax - nx, ay - ny],
    ].map(([x, y]): Point => [across(frame, x!), upward(frame, y!)]);
    return `M${corners.map(svg).join('L')}Z`;
  }
  /** From the side it is as wide as it reaches along the span. */
  function upright(w: Wall): string {
    const reach = (Math.abs(Math.cos(w.toward)) * w.length + Math.abs(Math.sin(w.toward)) * THICK) / 2;
    const foot = (x: number): number => ground(x, w.at[1]);
    const corners = [-reach, reach].flatMap((by, k): Point[] => {
      const x = w.at[0] + by;
      const up: Point[] = [
        [across(frame, x), upward(frame, foot(x))],
        [across(frame, x), upward(frame, foot(x) + w.height)],
      ];
      return k === 0 ? up : up.reverse();
    });
    return `M${corners.map(svg).join('L')}Z`;
  }
});
