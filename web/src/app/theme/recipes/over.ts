import { defineSlotRecipe } from '@chakra-ui/react';
import {
  comboboxAnatomy,
  dialogAnatomy,
  drawerAnatomy,
  menuAnatomy,
  popoverAnatomy,
  toastAnatomy,
} from '@chakra-ui/react/anatomy';

/** What stands over a view: cloth, ruled in ink. */
const sheet = { bg: 'cloth', color: 'ink', border: '1.5px solid', borderColor: 'ink', zIndex: 10 } as const;
const row = {
  minHeight: '44px',
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'space-between',
  gap: '12px',
  paddingInline: '10px',
  cursor: 'pointer',
  _highlighted: { bg: 'cloth2', boxShadow: 'inset 4px 0 0 var(--rb-colors-act)' },
} as const;

/** Asked before anything else is done. */
export const dialog = defineSlotRecipe({
  slots: dialogAnatomy.keys(),
  base: {
    backdrop: { position: 'fixed', inset: 0, zIndex: 9, bg: 'black/40' },
    positioner: {
      position: 'fixed',
      inset: 0,
      zIndex: 10,
      display: 'flex',
      justifyContent: 'center',
      alignItems: 'flex-start',
      padding: { base: '44px 8px 8px', lg: '10vh 16px 16px' },
      overflow: 'auto',
    },
    content: { ...sheet, width: '100%', maxWidth: '560px', padding: '14px 18px 18px' },
    title: { textStyle: 'name' },
  },
  variants: { size: { lg: { content: { maxWidth: '1040px' } } } },
});

/** Drawn out beside a view or under it, which goes on: it takes its own room there. */
export const drawer = defineSlotRecipe({
  slots: drawerAnatomy.keys(),
  base: {
    positioner: { display: 'contents' },
    content: { bg: 'cloth', padding: '8px 18px 20px', _focus: { outline: 'none' } },
  },
});

/** Beside what was touched. */
export const popover = defineSlotRecipe({
  slots: popoverAnatomy.keys(),
  base: { content: { ...sheet, padding: '10px 14px' }, title: { textStyle: 'title' } },
});

export const menu = defineSlotRecipe({
  slots: menuAnatomy.keys(),
  base: {
    content: { ...sheet, minWidth: '200px', paddingBlock: '4px' },
    item: { ...row, '&[data-state=checked]': { fontWeight: 700, boxShadow: 'inset 4px 0 0 var(--rb-colors-ink)' } },
    itemGroupLabel: { textStyle: 'quiet', padding: '8px 10px 0' },
  },
});

/** A list that narrows as one types. */
export const combobox = defineSlotRecipe({
  slots: comboboxAnatomy.keys(),
  base: {
    input: {
      width: '100%',
      minHeight: '48px',
      bg: 'transparent',
      border: 0,
      borderBottom: '1.5px solid',
      borderColor: 'ink',
      borderRadius: 0,
      fontFamily: 'heading',
      fontWeight: 700,
      fontSize: '19px',
      paddingInline: '6px',
      _focus: { outline: 'none', boxShadow: '0 2.5px 0 var(--rb-colors-act)' },
    },
    item: row,
    empty: { textStyle: 'quiet', padding: '14px 8px' },
  },
});

/** What was done, and what takes it back. */
export const toast = defineSlotRecipe({
  slots: toastAnatomy.keys(),
  base: {
    root: {
      ...sheet,
      display: 'flex',
      alignItems: 'center',
      gap: '10px',
      padding: '4px 4px 4px 14px',
      width: 'max-content',
      // its region gives it no room of its own
      minWidth: 'min(340px, calc(100vw - 32px))',
      maxWidth: 'min(560px, calc(100vw - 32px))',
      borderLeft: '4px solid',
      borderLeftColor: 'act',
    },
    title: { flex: 1 },
  },
});
