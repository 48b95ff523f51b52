import { defineSlotRecipe } from '@chakra-ui/react';
import { tableAnatomy } from '@chakra-ui/react/anatomy';

/** Rows between hairlines; the heads are small and quiet. */
export const table = defineSlotRecipe({
  slots: tableAnatomy.keys(),
  base: {
    root: { borderCollapse: 'collapse', width: '100%', fontSize: '14px', textAlign: 'left' },
    columnHeader: {
      textAlign: 'left',
      fontWeight: 400,
      'thead &': { color: 'ink2', fontSize: '13px' },
    },
    caption: { textAlign: 'left', fontWeight: 700 },
  },
  variants: {
    variant: {
      /** What it is about, then its numbers. */
      line: {
        columnHeader: { padding: '3px 10px 3px 0', '&[scope=row]': { fontWeight: 700 } },
        cell: { padding: '3px 10px 3px 0', whiteSpace: 'nowrap' },
        row: { '& + & > *': { borderTop: '1px solid', borderColor: 'hairline' } },
      },
      /** The same before and after, side by side. */
      outline: {
        root: { margin: '4px 0 10px' },
        columnHeader: {
          padding: '4px 0',
          textAlign: 'right',
          '&:first-of-type': { textAlign: 'left' },
          'tbody &': { borderTop: '1px solid', borderColor: 'hairline' },
        },
        cell: { padding: '4px 0', textAlign: 'right', borderTop: '1px solid', borderColor: 'hairline' },
      },
    },
    /** Each row taken hold of by its name; the last column may run over lines. */
    interactive: {
      true: {
        columnHeader: { padding: '2px 14px 2px 0', '&[scope=row]': { fontWeight: 400 } },
        cell: { padding: '2px 14px 2px 0', '&:last-child': { whiteSpace: 'normal' } },
      },
    },
    /** Under a working: a name and its number. */
    size: {
      sm: {
        root: { marginTop: '8px' },
        columnHeader: { '&[scope=row]': { fontWeight: 400 } },
        cell: { textAlign: 'right', padding: '2px 0 2px 8px' },
        row: { '& + & > *': { border: 0 } },
      },
    },
  },
  defaultVariants: { variant: 'line' },
});
