import { defineSlotRecipe } from '@chakra-ui/react';
import { collapsibleAnatomy } from '@chakra-ui/react/anatomy';

/** A line that opens what lies under it. */
export const collapsible = defineSlotRecipe({
  slots: collapsibleAnatomy.keys(),
  base: {
    root: { width: '100%', flexBasis: '100%' },
    trigger: { minHeight: '44px', fontSize: '14px', cursor: 'pointer' },
    indicator: { flex: 'none', '&[data-state=open]': { transform: 'rotate(90deg)' } },
  },
});
