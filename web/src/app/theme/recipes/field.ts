import { defineRecipe, defineSlotRecipe } from '@chakra-ui/react';
import {
  checkboxAnatomy,
  fieldAnatomy,
  nativeSelectAnatomy,
  radioGroupAnatomy,
  segmentGroupAnatomy,
  sliderAnatomy,
} from '@chakra-ui/react/anatomy';

/** A label over what is asked for, ruled beneath; the reason where it cannot be stands under it. */
export const field = defineSlotRecipe({
  className: 'field',
  slots: fieldAnatomy.keys(),
  base: {
    root: { display: 'flex', flexDirection: 'column', marginBottom: '4px', minWidth: 0 },
    label: { fontSize: '13px', color: 'ink2' },
    helperText: { fontSize: '13px', color: 'ink2', lineHeight: 1.25 },
    errorText: { fontSize: '13px', color: 'danger', fontWeight: 700, lineHeight: 1.3 },
  },
  variants: {
    /** In a table, whose heading is the label. */
    bare: { true: { root: { margin: 0, width: '92px' } } },
  },
});

const ruled = {
  bg: 'transparent',
  border: 0,
  borderBottom: '1.5px solid',
  borderColor: 'ink',
  borderRadius: 0,
  paddingInline: '2px',
  _invalid: { borderColor: 'danger', boxShadow: '0 1.5px 0 var(--rb-colors-danger)' },
} as const;

/** A number or a name. */
export const input = defineRecipe({
  base: {
    ...ruled,
    width: '100%',
    minWidth: 0,
    minHeight: '40px',
    fontFamily: 'heading',
    fontWeight: 700,
    fontSize: '18px',
    lineHeight: 1,
    fontVariantNumeric: 'tabular-nums',
    _focus: { outline: 'none', boxShadow: '0 2.5px 0 var(--rb-colors-act)' },
  },
  variants: { size: { sm: { minHeight: '32px', fontSize: '15px' } } },
});

/** One of a list. */
export const nativeSelect = defineSlotRecipe({
  slots: nativeSelectAnatomy.keys(),
  base: {
    root: { position: 'relative' },
    field: {
      ...ruled,
      width: '100%',
      minHeight: '41px',
      fontWeight: 700,
      textOverflow: 'ellipsis',
      '& option': { bg: 'cloth', color: 'ink', fontWeight: 400 },
    },
  },
});

/** One of a few, side by side. */
export const segmentGroup = defineSlotRecipe({
  slots: segmentGroupAnatomy.keys(),
  base: {
    root: { display: 'flex', flexWrap: 'wrap', alignItems: 'stretch' },
    item: {
      // what a screen reader presses lies in it
      position: 'relative',
      display: 'inline-flex',
      alignItems: 'center',
      minHeight: '44px',
      paddingInline: '11px',
      fontSize: '14px',
      cursor: 'pointer',
      color: 'ink2',
      boxShadow: 'inset 0 -1.5px 0 var(--rb-colors-hairline)',
      _checked: { color: 'ink', fontWeight: 700, boxShadow: 'inset 0 -3.5px 0 var(--rb-colors-ink)' },
      '&:has(input:focus-visible)': { outline: '3px solid var(--rb-colors-act)', outlineOffset: '-3px' },
    },
  },
});

/** One of some, each told in a sentence, beneath each other. */
export const radioGroup = defineSlotRecipe({
  slots: radioGroupAnatomy.keys(),
  base: {
    root: { display: 'flex', flexDirection: 'column' },
    item: {
      position: 'relative',
      display: 'flex',
      alignItems: 'flex-start',
      gap: '8px',
      minHeight: '44px',
      padding: '6px 6px 6px 4px',
      fontSize: '14px',
      cursor: 'pointer',
      borderTop: '1px solid',
      borderColor: 'hairline',
      _checked: { bg: 'cloth2' },
    },
    itemControl: {
      flex: 'none',
      width: '20px',
      height: '20px',
      marginTop: '1px',
      border: '1.5px solid',
      borderColor: 'tar',
      borderRadius: '50%',
      _checked: { borderWidth: '6px' },
      _focusVisible: { outline: '3px solid var(--rb-colors-act)', outlineOffset: '2px' },
    },
  },
});

/** Whether something is so. */
export const checkbox = defineSlotRecipe({
  slots: checkboxAnatomy.keys(),
  base: {
    root: {
      position: 'relative',
      display: 'inline-flex',
      alignItems: 'center',
      gap: '8px',
      minHeight: '44px',
      paddingInlineEnd: '12px',
      cursor: 'pointer',
    },
    control: {
      display: 'inline-flex',
      alignItems: 'center',
      justifyContent: 'center',
      flex: 'none',
      width: '20px',
      height: '20px',
      border: '1.5px solid',
      borderColor: 'tar',
      color: 'cloth',
      _checked: { bg: 'tar' },
      '& svg': { width: '14px', height: '14px', fill: 'none', stroke: 'currentColor' },
      _focusVisible: { outline: '3px solid var(--rb-colors-act)', outlineOffset: '2px' },
    },
  },
});

/** How much of something, where nobody measures it. */
export const slider = defineSlotRecipe({
  slots: sliderAnatomy.keys(),
  base: {
    control: { display: 'flex', alignItems: 'center', position: 'relative', minHeight: '32px', width: '100%' },
    track: { height: '3px', width: '100%', bg: 'hairline', position: 'relative' },
    range: { height: '100%', bg: 'tar' },
    thumb: {
      width: '18px',
      height: '18px',
      bg: 'act',
      border: '1.5px solid',
      borderColor: 'ink',
      borderRadius: '50%',
      _focusVisible: { outline: '3px solid var(--rb-colors-act)', outlineOffset: '2px' },
    },
  },
});
