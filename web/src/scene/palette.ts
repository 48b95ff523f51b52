import { useMemo } from 'react';
import { ink } from '../app/theme/paint.js';
import { useTheme } from '../app/theme/use-theme.js';

const NAMES = [
  'cloth',
  'cloth2',
  'ink',
  'ink2',
  'tar',
  'act',
  'danger',
  'water',
  'moss',
  'soil',
  'roof',
  'roof2',
  'hairline',
] as const;
/** Tones of cloth, from shadow to light: how much of the lit cloth's colour is in them, %. */
const PANELS = [8, 22, 38, 54, 70, 85, 100];
/** The theme's colours for what is drawn on a canvas, where the style sheet does not reach. */
export type Palette = Readonly<Record<(typeof NAMES)[number], string>> & { readonly panels: readonly string[] };

/** Reads the colours of the theme that is on. */
function readPalette(): Palette {
  const probe = document.createElement('span');
  document.body.append(probe);
  const of = (colour: string): string => {
    // through an element, so that a mixture of variables is resolved
    probe.style.color = colour;
    return getComputedStyle(probe).color;
  };
  const named = Object.fromEntries(NAMES.map((n) => [n, of(ink(n))])) as Record<(typeof NAMES)[number], string>;
  const panels = PANELS.map((lit) => of(`color-mix(in srgb, ${ink('roof')} ${lit}%, ${ink('roof2')})`));
  probe.remove();
  return { ...named, panels };
}

/** The colours of the theme that is on, read again when it changes. */
export function usePalette(): Palette {
  const theme = useTheme();
  return useMemo(() => {
    void theme;
    return readPalette();
  }, [theme]);
}
