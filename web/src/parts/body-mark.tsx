import { BODY_MARKS } from '@rough-bight/core/quantity';
import type { BodyMark, BodyMeasures } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { Choice } from './choice.js';

const MARK_NAMES: Readonly<Record<BodyMark, string>> = {
  waist: 'my waist',
  elbow: 'my elbow',
  chest: 'my chest',
  shoulder: 'my shoulder',
  brow: 'my brow',
  reach: 'my full reach',
};

/** A height by a mark of one's own body. */
export function BodyMarkChoice({
  height,
  body,
  onHeight,
}: {
  readonly height: number;
  readonly body: BodyMeasures;
  readonly onHeight: (height: number) => string | null | void;
}): ReactElement {
  return (
    <Choice<BodyMark | 'other'>
      label="at"
      value={BODY_MARKS.find((m) => Math.abs(body[m] - height) < 0.005) ?? 'other'}
      options={[{ id: 'other', name: 'my own' }, ...BODY_MARKS.map((m) => ({ id: m, name: MARK_NAMES[m] }))]}
      onChange={(mark) => (mark === 'other' ? null : onHeight(body[mark]))}
    />
  );
}
