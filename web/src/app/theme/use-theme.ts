import { useSyncExternalStore } from 'react';
import { currentTheme } from './mode.js';
import type { Theme } from './mode.js';

function watchTheme(changed: () => void): () => void {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
}

/** The theme that is on, as it changes. */
export const useTheme = (): Theme => useSyncExternalStore(watchTheme, currentTheme);
