import { paint } from '../../app/theme/paint.js';
import type { PitchResult, PitchShape } from '@rough-bight/core/pitch';
import { shownCatch } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { memo, useMemo } from 'react';
import type { ReactElement } from 'react';
import { runsOf } from '../runs.js';
import type { Frame, Point } from './frame.js';
import { place, svg } from './frame.js';

/** Pictures narrower than this have little room for words, pixels. */
const NARROW = 520;

/** Which way rain runs, where it drips most and where it stands. */
export const Water = memo(function Water({
  result,
  shape,
  frame,
  units,
}: {
  readonly result: PitchResult;
  readonly shape: PitchShape;
  readonly frame: Frame;
  readonly units: UnitChoice;
}): ReactElement {
  const { topology } = result;
  const runs = useMemo(() => runsOf(topology, shape), [topology, shape]);
  const best = result.runOff.drips[0];
  // litres a millimetre are square metres that drain to it
  const { water, each } = shownCatch(best?.perMillimetre ?? 0, units);
  const drip: Point = best === undefined ? [0, 0] : place(frame, shape.at, best.node);
  // on a narrow picture its words are few, and to the left: pulls are told to the right of their lines
  const narrow = frame.width < NARROW;
  const right = narrow ? drip[0] > NARROW / 4 : drip[0] > frame.width / 2;
  return (
    <g>
      <path {...paint.run} d={runs.map((run) => `M${run.map((p) => svg(place(frame, p, 0))).join('L')}`).join('')} />
      {result.runOff.ponds.map((p) =>
        p.wet.map((w) => {
          const [x, y] = place(frame, shape.at, w.node);
          return <circle key={w.node} {...paint.pond} cx={x} cy={y} r={4 + 60 * w.depth} />;
        }),
      )}
      {best !== undefined && (
        <g>
          <path {...paint.drop} d={`M${svg(drip)}m0 -9c6 8 7 11 0 15c-7 -4 -6 -7 0 -15z`} />
          <text {...paint.water} x={drip[0] + (right ? -10 : 10)} y={drip[1] + 18} textAnchor={right ? 'end' : 'start'}>
            {narrow ? `pail: ${water} a ${each}` : `pail here: ${water} for each ${each} of rain`}
          </text>
        </g>
      )}
    </g>
  );
});
