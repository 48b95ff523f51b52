import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';

/** Canvas and tar by day; ember by night. One name a colour, a value for each theme. */
const colours = {
  cloth: ['#F4EEE1', '#150E0B'],
  cloth2: ['#EAE1CF', '#1F1511'],
  hairline: ['#CFC3AC', '#3A271E'],
  ink: ['#16241E', '#F0C3A2'],
  ink2: ['#4A544E', '#B58A6E'],
  tar: ['#5A4330', '#C08A66'],
  act: ['#D9861A', '#FF9448'],
  onAct: ['#16241E', '#150E0B'],
  danger: ['#98301A', '#FF5A3C'],
  water: ['#2C6072', '#C9907A'],
  moss: ['#566539', '#B99B66'],
  roof: ['#C9B88F', '#5A3A2A'],
  roof2: ['#B5A274', '#46291D'],
  soil: ['#DCD0B8', '#241812'],
} as const;

const config = defineConfig({
  cssVarsPrefix: 'rb',
  conditions: { ember: '[data-theme=ember] &' },
  theme: {
    tokens: {
      fonts: {
        heading: { value: "'Bricolage Grotesque Variable', system-ui, sans-serif" },
        body: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
      },
    },
    semanticTokens: {
      colors: Object.fromEntries(
        Object.entries(colours).map(([name, [day, ember]]) => [name, { value: { base: day, _ember: ember } }]),
      ),
    },
  },
});

export const system = createSystem(defaultBaseConfig, config);

export type Theme = 'day' | 'ember';
const KEY = 'rough-bight-theme';

export function currentTheme(): Theme {
  return document.documentElement.dataset['theme'] === 'ember' ? 'ember' : 'day';
}

export function setTheme(theme: Theme): void {
  document.documentElement.dataset['theme'] = theme;
  document.querySelector('meta[name=theme-color]')?.setAttribute('content', colours.cloth[theme === 'day' ? 0 : 1]);
  localStorage.setItem(KEY, theme);
}

/** The theme chosen last, or what the device prefers. */
export function restoreTheme(): void {
  const kept = localStorage.getItem(KEY);
  setTheme(
    kept === 'day' || kept === 'ember' ? kept : matchMedia('(prefers-color-scheme: dark)').matches ? 'ember' : 'day',
  );
}
