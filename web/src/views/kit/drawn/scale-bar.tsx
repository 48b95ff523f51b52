import { Flex, Text } from '@chakra-ui/react';
import { ink } from '../../../app/theme/paint.js';
import { sayGiven } from '@rough-bight/core/quantity';
import type { Quantity } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { useUnits } from '../../../parts/units.js';

/** How long something is in the drawings beside it. */
export function ScaleBar({
  size,
  scale,
  quantity = 'length',
  of,
}: {
  /** m. */
  readonly size: number;
  /** Pixels a metre. */
  readonly scale: number;
  readonly quantity?: Quantity;
  readonly of?: string;
}): ReactElement {
  const units = useUnits();
  const long = size * scale;
  return (
    <Flex as="span" align="center" gap="6px">
      <svg width={long + 2} height={9} aria-hidden="true">
        <path d={`M1 1V8M1 4.5H${long + 1}M${long + 1} 1V8`} stroke={ink('ink2')} strokeWidth={1.2} fill="none" />
      </svg>
      <Text as="span" textStyle="quiet">
        {sayGiven(size, quantity, units)}
        {of === undefined ? '' : ` of ${of}`}
      </Text>
    </Flex>
  );
}
