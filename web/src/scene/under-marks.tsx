import { groundOf } from '@rough-bight/core/pitch';
import type { RidgeRig } from '@rough-bight/core/rig';
import { DRY, SIZES } from '@rough-bight/core/under';
import type { LyingResult } from '@rough-bight/core/under';
import { memo } from 'react';
import type { ReactElement } from 'react';
import { lyingPaint } from '../app/theme/paint.js';
import type { Frame, Point } from './flat/frame.js';
import { across, svg, upward } from './flat/frame.js';

/** Who and what lies on the ground under a roof, to scale: from above as one sees them, from the side as they rise from the ground. */
export const UnderMarks = memo(function UnderMarks({
  things,
  rig,
  frame,
  span,
}: {
  readonly things: readonly LyingResult[];
  readonly rig: RidgeRig;
  readonly frame: Frame;
  readonly span: number;
}): ReactElement {
  return (
    <g>
      {things.map((t) => (
        <LyingMark key={t.lying.id} of={t} rig={rig} frame={frame} span={span} />
      ))}
    </g>
  );
});

function LyingMark({
  of: { lying, dry, sits },
  rig,
  frame,
  span,
}: {
  readonly of: LyingResult;
  readonly rig: RidgeRig;
  readonly frame: Frame;
  readonly span: number;
}): ReactElement {
  const { long, wide, high } = SIZES[lying.kind];
  const [c, s] = [Math.cos(lying.toward), Math.sin(lying.toward)];
  const ground = groundOf(rig, span);
  const side = frame.view === 'side';
  const paint = lyingPaint(lying.kind, dry >= DRY && sits);
  const on = (u: number, v: number): readonly [number, number] => [
    lying.at[0] + u * c - v * s,
    lying.at[1] + u * s + v * c,
  ];
  const flat = (u: number, v: number): Point => {
    const [x, y] = on(u, v);
    return [across(frame, x), upward(frame, side ? ground(x, y) : y)];
  };
  if (!side) {
    const [hx, hy] = flat(long - 0.16, 0);
    return (
      <g data-thing={lying.kind}>
        <path
          {...paint.body}
          d={`M${[flat(-long, -wide), flat(long, -wide), flat(long, wide), flat(-long, wide)].map(svg).join('L')}Z`}
        />
        {lying.kind === 'sleeper' && <circle {...paint.head} cx={hx} cy={hy} r={(0.12 * frame.scale).toFixed(1)} />}
      </g>
    );
  }
  // from the side it is as long as it reaches along the span
  const half = Math.abs(long * c) + Math.abs(wide * s);
  const left = Math.min(flat(-long, 0)[0], flat(long, 0)[0], across(frame, lying.at[0] - half));
  const wideness = 2 * half * frame.scale;
  const [, base] = flat(0, 0);
  const top = high * frame.scale;
  const [hx] = flat(long - 0.16, 0);
  return (
    <g data-thing={lying.kind}>
      <rect {...paint.body} x={left} y={base - top} width={wideness} height={top} rx={Math.min(8, top / 2)} />
      {lying.kind === 'sleeper' && (
        <circle {...paint.head} cx={hx} cy={base - top * 0.55} r={(0.12 * frame.scale).toFixed(1)} />
      )}
    </g>
  );
}
