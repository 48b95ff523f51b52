import type { RopePicture, RopeStroke } from '@rough-bight/core/knot';
import type { ReactElement } from 'react';
import { Fragment } from 'react';
import { ink } from '../app/theme/paint.js';
import { Sketch } from './sketch.js';

const COLOUR: Readonly<Record<RopeStroke['is'], string>> = {
  rope: ink('roof'),
  other: ink('water'),
  moved: ink('act'),
  trunk: ink('tar'),
  line: ink('moss'),
  stick: ink('roof2'),
  peg: ink('ink2'),
  fitting: ink('ink2'),
};
/** The rim of a rope, in the picture's units. */
const RIM = 3;

const path = ({ points }: RopeStroke): string =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;

/** Rope as it lies in space, drawn by the core: each short piece with its rim, far ones first. */
export function RopeSketch({
  picture,
  label,
}: {
  readonly picture: RopePicture;
  readonly label?: string;
}): ReactElement {
  return (
    <Sketch size={picture} label={label} fill="none" strokeLinejoin="round">
      {picture.strokes.map((s, i) => {
        const d = path(s);
        return (
          <Fragment key={i}>
            <path d={d} stroke={ink('ink')} strokeWidth={s.wide + RIM} />
            <path d={d} stroke={COLOUR[s.is]} strokeWidth={Math.max(1, s.wide - RIM / 3)} strokeLinecap="round" />
          </Fragment>
        );
      })}
    </Sketch>
  );
}
