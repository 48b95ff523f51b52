import { Box, Button } from '@chakra-ui/react';
import type { BodyMeasures, Limit } from '@rough-bight/core/quantity';
import { say } from '@rough-bight/core/quantity';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { NumberField } from './number-field.js';
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
  const [by, setBy] = useState<'cord' | 'spans'>('cord');
  const units = useUnits();
  const { min, max } = limit;
  return (
    <Box>
      {by === 'cord' ? (
        <NumberField
          label="Girth"
          value={girth}
          limit={limit}
          step={0.01}
          hint={`${say(girth / Math.PI, 'length', units)} through`}
          onCommit={onCommit}
        />
      ) : (
        <NumberField
          label="Girth in hand spans"
          value={girth / body.handSpan}
          limit={{ quantity: 'count', min: min / body.handSpan, max: max / body.handSpan }}
          step={0.25}
          suffix="spans"
          hint={`${say(girth, 'length', units)} round`}
          onCommit={(spans) => onCommit(Math.min(max, Math.max(min, Math.round(spans * body.handSpan * 100) / 100)))}
        />
      )}
      <Button variant="plain" size="xs" fontSize="13px" onClick={() => setBy(by === 'cord' ? 'spans' : 'cord')}>
        {by === 'cord' ? 'by hand spans' : 'by a cord'}
      </Button>
    </Box>
  );
}
