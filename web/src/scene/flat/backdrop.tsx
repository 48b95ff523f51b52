import { uprightOf } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { memo } from 'react';
import type { ReactElement } from 'react';
import { paint } from '../../app/theme/paint.js';
import { TrunkMark } from '../../parts/marks.js';
import type { Frame, Point } from './frame.js';
import { across, upward } from './frame.js';
import { Levels, Meadow } from './marks.js';

/** Ground, levels or grid, and the trunks. */
export const Backdrop = memo(function Backdrop({
  trunks,
  groundRise,
  first,
  second,
  frame,
  span,
  feet,
  levels = true,
}: {
  readonly trunks: RidgeRig['trunks'];
  readonly groundRise: number;
  /** Whether anything is tied to them. */
  readonly first: boolean;
  readonly second: boolean;
  readonly frame: Frame;
  readonly span: number;
  readonly feet: boolean;
  /** Whether heights or a grid are drawn behind. */
  readonly levels?: boolean;
}): ReactElement {
  const side = frame.view === 'side';
  const foot = (i: 0 | 1): Point => [across(frame, i * span), upward(frame, side ? i * groundRise : 0)];
  return (
    <>
      {levels && (side ? <Levels frame={frame} feet={feet} /> : <Meadow frame={frame} />)}
      {side && (
        <path
          {...paint.soil}
          d={`M0 ${foot(0)[1]}H${foot(0)[0]}L${foot(1).join(' ')}H${frame.width}V${frame.height}H0Z`}
        />
      )}
      {([0, 1] as const).map((i) => {
        if (i === 0 ? !first : !second) return null;
        const [x, y] = foot(i);
        const upright = uprightOf(trunks[i], 0);
        const wide = upright.wide * frame.scale;
        return side ? (
          <TrunkMark
            key={i}
            as={upright.as}
            x={x}
            foot={y}
            top={upright.as === 'stem' ? 0 : y - upright.rises * frame.scale}
            width={Math.max(8, wide)}
            bad={trunks[i].signs.length > 0}
          />
        ) : (
          <circle
            key={i}
            data-thing="trunk"
            {...paint.pitchTrunk}
            cx={x}
            cy={y - upright.aside * frame.scale}
            r={Math.max(6, wide / 2)}
          />
        );
      })}
    </>
  );
});
