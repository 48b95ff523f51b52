import { Box, Button } from '@chakra-ui/react';
import type { Limit } from '@rough-bight/core/quantity';
import { say } from '@rough-bight/core/quantity';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { NumberField } from './number-field.js';
import { useUnits } from './units.js';

/** What of one's own body a length is told in. */
export interface BodyRule {
  /** m. */
  readonly of: number;
  /** "hand spans", and what the number is asked for as. */
  readonly name: string;
  readonly label: string;
  readonly short: string;
  /** What takes its place: "by a cord". */
  readonly instead: string;
  readonly step: number;
}

/** A length by a tape or cord, or by one's own hands or feet. */
export function BodyLength({
  label,
  value,
  limit,
  step,
  hint,
  rule,
  told,
  problem = null,
  onCommit,
}: {
  readonly label: string;
  /** m. */
  readonly value: number;
  readonly limit: Limit;
  readonly step: number;
  readonly hint?: string;
  readonly rule: BodyRule;
  /** What the length is, said behind it: "round". */
  readonly told?: string;
  readonly problem?: string | null;
  readonly onCommit: (value: number) => string | null;
}): ReactElement {
  const [bodily, setBodily] = useState(false);
  const units = useUnits();
  const { min, max } = limit;
  return (
    <Box>
      {bodily ? (
        <NumberField
          label={rule.label}
          value={value / rule.of}
          limit={{ quantity: 'count', min: min / rule.of, max: max / rule.of }}
          step={rule.step}
          decimals={2}
          suffix={rule.short}
          hint={`${say(value, 'length', units)}${told === undefined ? '' : ` ${told}`}`}
          problem={problem}
          onCommit={(count) => onCommit(Math.min(max, Math.max(min, Math.round(count * rule.of * 100) / 100)))}
        />
      ) : (
        <NumberField
          label={label}
          value={value}
          limit={limit}
          step={step}
          {...(hint === undefined ? {} : { hint })}
          problem={problem}
          onCommit={onCommit}
        />
      )}
      <Button variant="plain" size="xs" fontSize="13px" onClick={() => setBodily(!bodily)}>
        {bodily ? rule.instead : `by ${rule.name}`}
      </Button>
    </Box>
  );
}
