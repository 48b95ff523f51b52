import { defineGlobalStyles } from '@chakra-ui/react';

/** What holds on every page before any part says otherwise. */
export const globalCss = defineGlobalStyles({
  ':root[data-theme=ember]': { colorScheme: 'dark' },
  '*, *::before, *::after': { boxSizing: 'border-box' },
  'html, body, #root': { height: '100%', margin: 0 },
  body: {
    bg: 'cloth',
    color: 'ink',
    font: '15px/1.4 var(--rb-fonts-body)',
    fontVariantNumeric: 'tabular-nums',
    textSizeAdjust: '100%',
  },
  '#root': { display: 'flex', flexDirection: 'column' },
  'h1, h2, h3': { fontFamily: 'heading', fontWeight: 700, margin: 0, lineHeight: 1.2 },
  h2: { fontSize: '16px' },
  h3: { fontSize: '15px' },
  p: { margin: 0 },
  'dl, dd, fieldset': { margin: 0 },
  fieldset: { border: 0, padding: 0, minWidth: 0 },
  legend: {
    fontFamily: 'heading',
    fontWeight: 700,
    fontSize: '15px',
    lineHeight: 1.2,
    padding: 0,
    marginBottom: '5px',
  },
  sub: { fontSize: '0.72em', lineHeight: 0 },
  'ul, ol': { listStyle: 'none', margin: 0, padding: 0 },
  a: {
    color: 'inherit',
    textDecorationColor: 'var(--rb-colors-act)',
    textDecorationThickness: '2px',
    textUnderlineOffset: '3px',
  },
  'button, input, select': { font: 'inherit', color: 'inherit' },
  button: { background: 'none', border: 0, padding: 0, cursor: 'pointer', textAlign: 'inherit' },
  'button:disabled': { cursor: 'default', opacity: 0.45 },
  ':focus-visible': { outline: '3px solid var(--rb-colors-act)', outlineOffset: '2px' },
});
