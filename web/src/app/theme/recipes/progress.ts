import { defineSlotRecipe } from '@chakra-ui/react';
import { progressAnatomy } from '@chakra-ui/react/anatomy';

/** How far long work is. */
export const progress = defineSlotRecipe({
  slots: progressAnatomy.keys(),
  base: {
    track: { height: '10px', border: '1.5px solid', borderColor: 'ink', overflow: 'hidden' },
    range: { height: '100%', bg: 'act' },
  },
});
