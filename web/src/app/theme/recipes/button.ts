import { defineRecipe } from '@chakra-ui/react';

/** Square, ruled in ink; one filled button a view. All that a hand presses is 44 px high unless it stands in a line of text. */
export const button = defineRecipe({
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    gap: '7px',
    cursor: 'pointer',
    fontSize: '14px',
    fontWeight: 700,
    _disabled: { cursor: 'default', opacity: 0.45 },
  },
  variants: {
    variant: {
      /** Ruled in ink: most of them. */
      outline: {
        border: '1.5px solid',
        borderColor: 'ink',
        _hover: { bg: 'cloth2' },
        _pressed: { bg: 'ink', color: 'cloth' },
      },
      /** What the view is for. */
      solid: {
        border: '1.5px solid',
        borderColor: 'act',
        bg: 'act',
        color: 'onAct',
        _hover: { boxShadow: 'inset 0 0 0 2px var(--rb-colors-on-act)' },
      },
      /** A sign alone, or one of a bar. */
      ghost: { justifyContent: 'center', minWidth: '44px', fontWeight: 'inherit', _hover: { bg: 'cloth2' } },
      /** In a line of text or a table. */
      plain: {
        textDecoration: 'underline',
        textDecorationColor: 'act',
        textDecorationThickness: '2px',
        textUnderlineOffset: '3px',
        textAlign: 'left',
        fontWeight: 400,
        _pressed: { fontWeight: 700 },
      },
    },
    size: {
      md: { minHeight: '44px', paddingInline: '13px' },
      sm: { minHeight: { base: '44px', lg: '32px' }, paddingInline: '9px', fontSize: '13px' },
      xs: { minHeight: { base: '44px', lg: '32px' }, fontSize: 'inherit' },
    },
  },
  defaultVariants: { variant: 'outline', size: 'md' },
});
