import { useMemo, useSyncExternalStore } from 'react';

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
/** Tones of cloth, from shadow to light. */
const PANELS = [0, 1, 2, 3, 4, 5, 6];
/** The theme's colours for what is drawn on a canvas, where the style sheet does not reach. */
export type Palette = Readonly<Record<(typeof NAMES)[number], string>> & { readonly panels: readonly string[] };

/** Reads the colours of the theme that is on. */
function readPalette(): Palette {
  const probe = document.createElement('span');
  document.body.append(probe);
  const of = (name: string): string => {
    // through an element, so that a variable made of variables is resolved
    probe.style.color = `var(--${name})`;
    return getComputedStyle(probe).color;
  };
  const named = Object.fromEntries(NAMES.map((n) => [n, of(n)])) as Record<(typeof NAMES)[number], string>;
  const panels = PANELS.map((k) => of(`panel-${k}`));
  probe.remove();
  return { ...named, panels };
}

const themeOn = (): string => document.documentElement.dataset.theme ?? '';
function watchTheme(changed: () => void): () => void {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
}

/** The colours of the theme that is on, read again when it changes. */
export function usePalette(): Palette {
  const theme = useSyncExternalStore(watchTheme, themeOn);
  return useMemo(() => {
    void theme;
    return readPalette();
  }, [theme]);
}
