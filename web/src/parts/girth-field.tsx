import type { BodyMeasures, Limit } from '@rough-bight/core/quantity';
import { say } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { BodyLength } from './body-length.js';
import { useUnits } from './units.js';

/** Girth by a cord laid round, or by hand spans. */
export function GirthField({
  girth,
  limit,
  body,
  onCommit,
}: {
  readonly girth: number;
  readonly limit: Limit;
  readonly body: BodyMeasures;
  readonly onCommit: (girth: number) => string | null;
}): ReactElement {
  const units = useUnits();
  return (
    <BodyLength
      label="Girth"
      value={girth}
      limit={limit}
      step={0.01}
      hint={`${say(girth / Math.PI, 'length', units)} through`}
      told="round"
      rule={{
        of: body.handSpan,
        name: 'hand spans',
        label: 'Girth in hand spans',
        short: 'spans',
        instead: 'by a cord',
        step: 0.25,
      }}
      onCommit={onCommit}
    />
  );
}
