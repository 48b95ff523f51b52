import { defineSlotRecipe } from '@chakra-ui/react';
import { alertAnatomy, emptyStateAnatomy, statusAnatomy, tooltipAnatomy } from '@chakra-ui/react/anatomy';

/** What has to be said beside a thing: why it cannot be, or what to beware of. */
export const alert = defineSlotRecipe({
  slots: alertAnatomy.keys(),
  variants: {
    status: {
      error: { root: { textStyle: 'problem' } },
      warning: {
        root: {
          fontSize: '13px',
          color: 'ink',
          borderLeft: '4px solid',
          borderColor: 'danger',
          padding: '2px 0 2px 10px',
          maxWidth: '78ch',
        },
      },
    },
  },
});

/** Where nothing is yet, or nothing could be opened: what to do next. */
export const emptyState = defineSlotRecipe({
  slots: emptyStateAnatomy.keys(),
  base: {
    root: { maxWidth: '66ch', width: '100%' },
    content: { display: 'flex', flexDirection: 'column', gap: '8px', alignItems: 'flex-start' },
  },
  variants: {
    size: {
      /** Within a view; in place of one. */
      sm: { root: { paddingBlock: '6px 12px' } },
      lg: { root: { padding: '40px' }, title: { textStyle: 'verdict' } },
    },
  },
  defaultVariants: { size: 'sm' },
});

/** What a sign without a word is. */
export const tooltip = defineSlotRecipe({
  slots: tooltipAnatomy.keys(),
  base: {
    content: { bg: 'ink', color: 'cloth', fontSize: '13px', padding: '5px 9px', maxWidth: '280px', zIndex: 12 },
  },
});

/** How something stands, in a word behind its sign: a full dot where all is well, a ring where it is not. */
export const status = defineSlotRecipe({
  slots: statusAnatomy.keys(),
  base: {
    root: { display: 'inline-flex', alignItems: 'center', gap: '6px' },
    indicator: {
      width: '8px',
      height: '8px',
      flex: 'none',
      borderRadius: '50%',
      border: '1.5px solid currentColor',
      '&[data-well=true]': { bg: 'currentColor' },
    },
  },
});
