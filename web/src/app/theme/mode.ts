import { COLOURS } from './colours.js';

/** Canvas by day, ember by night. */
export type Theme = 'day' | 'ember';
const KEY = 'rough-bight-theme';

export function currentTheme(): Theme {
  return document.documentElement.dataset['theme'] === 'ember' ? 'ember' : 'day';
}

export function setTheme(theme: Theme): void {
  document.documentElement.dataset['theme'] = theme;
  document.querySelector('meta[name=theme-color]')?.setAttribute('content', COLOURS.cloth[theme === 'day' ? 0 : 1]);
  localStorage.setItem(KEY, theme);
}

/** The theme chosen last, or what the device prefers. */
export function restoreTheme(): void {
  const kept = localStorage.getItem(KEY);
  setTheme(
    kept === 'day' || kept === 'ember' ? kept : matchMedia('(prefers-color-scheme: dark)').matches ? 'ember' : 'day',
  );
}
