import { chakra } from '@chakra-ui/react';

/** What a line of a picture or chart looks like, in the words beside it. */
export const KeyLine = chakra('span', {
  base: { display: 'inline-block', width: '22px', verticalAlign: 'middle', margin: '0 4px 0 8px' },
  variants: {
    of: {
      line: { borderTop: '2.6px solid', borderColor: 'ink' },
      wet: { borderTop: '2px dashed', borderColor: 'water' },
      worst: { borderTop: '2px dashed', borderColor: 'danger' },
      now: { width: '11px', height: '11px', border: '1.5px solid', borderColor: 'ink', bg: 'act', borderRadius: '50%' },
    },
  },
  defaultVariants: { of: 'line' },
});
