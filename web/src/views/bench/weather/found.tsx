import { Box, Text } from '@chakra-ui/react';
import type { Phrase } from '@rough-bight/core/quantity';
import type { ReactElement, ReactNode } from 'react';
import { Told } from '../../../parts/told.js';

/** What long work on a rig came to: the answer first, then what belongs to it. */
export function Found({
  sentence,
  detail,
  bad = false,
  children,
}: {
  readonly sentence: Phrase;
  readonly detail?: Phrase;
  readonly bad?: boolean;
  readonly children: ReactNode;
}): ReactElement {
  return (
    <Box display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="10px" marginTop="8px">
      <Box aria-live="polite">
        <Text textStyle="name" {...(bad ? { color: 'danger' } : {})}>
          <Told said={sentence} />
        </Text>
        {detail !== undefined && (
          <p>
            <Told said={detail} />
          </p>
        )}
      </Box>
      {children}
    </Box>
  );
}
