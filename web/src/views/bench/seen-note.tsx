import { Box } from '@chakra-ui/react';
import { marksOf } from '@rough-bight/core/order';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { RigReport } from '@rough-bight/core/shelter';
import { seenWords } from '@rough-bight/core/words';
import { memo } from 'react';
import type { ReactElement } from 'react';

/** On the plan: which lines to mark bright where people walk, and which may be dull. A small screen has no room for it: the card tells it. */
export const SeenNote = memo(function SeenNote({
  rig,
  report,
}: {
  readonly rig: RidgeRig;
  readonly report: RigReport;
}): ReactElement | null {
  const words = seenWords(marksOf(rig, report));
  if (words.length === 0) return null;
  return (
    <Box
      position="absolute"
      left="12px"
      top="8px"
      maxWidth="calc(100% - 330px)"
      hideBelow="lg"
      bg="cloth"
      paddingInline="4px"
      textStyle="quiet"
      pointerEvents="none"
    >
      {words.map((w) => (
        <p key={w}>{w}</p>
      ))}
    </Box>
  );
});
