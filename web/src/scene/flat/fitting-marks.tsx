import type { Vec3 } from '@rough-bight/core/quantity';
import type { Fitting } from '@rough-bight/core/shelter';
import { memo } from 'react';
import type { ReactElement } from 'react';
import { paint } from '../../app/theme/paint.js';
import type { Frame, Point } from './frame.js';
import { across, svg, upward } from './frame.js';

/** Turns of elastic drawn in a line, and how far they go aside, px. */
const TURNS = 7;
const ASIDE = 4;

/** Elastic, bends, drip lines and branches, where they are on the lines. */
export const FittingMarks = memo(function FittingMarks({
  fittings,
  frame,
}: {
  readonly fittings: readonly Fitting[];
  readonly frame: Frame;
}): ReactElement {
  const put = (p: Vec3): Point => [across(frame, p[0]), upward(frame, p[frame.view === 'side' ? 2 : 1])];
  return (
    <>
      {fittings.map((f) => (
        <g key={`${f.kind} ${f.of}`} data-thing={f.kind}>
          {f.kind === 'bend' ? (
            <Bend at={put(f.at)} />
          ) : f.kind === 'elastic' ? (
            <path {...paint.elastic} d={zigzag(put(f.from), put(f.to))} />
          ) : f.kind === 'drip' ? (
            <path {...paint.dripLine} d={`M${svg(put(f.from))}L${svg(put(f.to))}`} />
          ) : (
            <Branch of={f} put={put} frame={frame} />
          )}
        </g>
      ))}
    </>
  );
});

/** A knot in a line. */
const Bend = ({ at: [x, y] }: { readonly at: Point }): ReactElement => (
  <path {...paint.bend} d={`M${svg([x - 5, y])}a2.5 3.5 0 1 1 5 0a2.5 3.5 0 1 0 5 0`} />
);

/** A branch end on from the side, along itself from above, and the line down to where it is made fast. */
function Branch({
  of: { from, to, thick, down },
  put,
  frame,
}: {
  readonly of: Extract<Fitting, { readonly kind: 'branch' }>;
  readonly put: (p: Vec3) => Point;
  readonly frame: Frame;
}): ReactElement {
  const wide = Math.max(4, thick * frame.scale);
  const [a, b] = [put(from), put(to)];
  const over: Vec3 = [to[0], 0, to[2] + thick / 2];
  return (
    <>
      {frame.view === 'side' ? (
        <circle {...paint.branch} cx={b[0]} cy={b[1]} r={wide / 2} />
      ) : (
        <path {...paint.branch} d={`M${svg(a)}L${svg(b)}`} strokeWidth={wide} />
      )}
      <path {...paint.dripLine} d={`M${svg(put(over))}L${svg(put(down))}`} />
    </>
  );
}

function zigzag([x0, y0]: Point, [x1, y1]: Point): string {
  const long = Math.hypot(x1 - x0, y1 - y0) || 1;
  const [nx, ny] = [(-(y1 - y0) / long) * ASIDE, ((x1 - x0) / long) * ASIDE];
  const turns = Array.from({ length: TURNS }, (_, k): Point => {
    const s = (k + 0.5) / TURNS;
    const side = k % 2 === 0 ? 1 : -1;
    return [x0 + s * (x1 - x0) + side * nx, y0 + s * (y1 - y0) + side * ny];
  });
  return `M${svg([x0, y0])}${turns.map((p) => `L${svg(p)}`).join('')}L${svg([x1, y1])}`;
}
