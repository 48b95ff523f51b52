import { PITCH_LIMITS } from '@rough-bight/core/rig';
import { compassPoint } from '@rough-bight/core/weather';
import type { ReactElement } from 'react';
import { NumberField } from '../../parts/number-field.js';

/** A bearing, rad clockwise from north, with the point of the compass it is. */
export function BearingField({
  label,
  value,
  onCommit,
}: {
  readonly label: string;
  readonly value: number;
  readonly onCommit: (bearing: number) => string | null;
}): ReactElement {
  return (
    <NumberField
      label={label}
      value={value}
      limit={PITCH_LIMITS.bearing}
      step={Math.PI / 36}
      hint={compassPoint(value)}
      onCommit={onCommit}
    />
  );
}
