import { defineSlotRecipe } from '@chakra-ui/react';
import { accordionAnatomy, collapsibleAnatomy, tabsAnatomy } from '@chakra-ui/react/anatomy';

/** A line that opens what lies under it. */
export const collapsible = defineSlotRecipe({
  slots: collapsibleAnatomy.keys(),
  base: {
    root: { width: '100%', flexBasis: '100%' },
    trigger: { minHeight: '44px', fontSize: '14px', cursor: 'pointer' },
    indicator: { flex: 'none', '&[data-state=open]': { transform: 'rotate(90deg)' } },
  },
});

/** Lists under each other, each of which closes to its line. */
export const accordion = defineSlotRecipe({
  slots: accordionAnatomy.keys(),
  base: {
    item: { marginTop: '22px' },
    itemTrigger: {
      display: 'flex',
      alignItems: 'center',
      gap: '6px',
      minHeight: '44px',
      cursor: 'pointer',
      _hover: { color: 'act' },
    },
    itemIndicator: { flex: 'none', color: 'ink2', '&[data-state=open]': { transform: 'rotate(90deg)' } },
  },
});

/** One of a few sheets at a time. */
export const tabs = defineSlotRecipe({
  slots: tabsAnatomy.keys(),
  base: {
    list: {
      display: 'flex',
      gap: '2px 18px',
      overflowX: 'auto',
      borderBottom: '1px solid',
      borderColor: 'hairline',
      marginBottom: '12px',
    },
    trigger: {
      flex: 'none',
      minHeight: '44px',
      textStyle: 'title',
      cursor: 'pointer',
      borderBottom: '3px solid transparent',
      color: 'ink2',
      _selected: { color: 'ink', borderColor: 'act' },
    },
    content: { _focus: { outline: 'none' } },
  },
});
