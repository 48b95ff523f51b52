import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';
import { COLOURS } from './colours.js';
import { globalCss } from './global.js';
import { button } from './recipes/button.js';
import { checkbox, field, input, nativeSelect, radioGroup, segmentGroup } from './recipes/field.js';
import { table } from './recipes/table.js';

const config = defineConfig({
  cssVarsPrefix: 'rb',
  conditions: { ember: '[data-theme=ember] &' },
  globalCss,
  theme: {
    tokens: {
      fonts: {
        heading: { value: "'Bricolage Grotesque Variable', system-ui, sans-serif" },
        body: { value: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif" },
      },
    },
    semanticTokens: {
      colors: Object.fromEntries(
        Object.entries(COLOURS).map(([name, [day, ember]]) => [name, { value: { base: day, _ember: ember } }]),
      ),
    },
    recipes: { button, input },
    slotRecipes: { checkbox, field, nativeSelect, radioGroup, segmentGroup, table },
  },
});

/** Our look as the component system knows it. */
export const system = createSystem(defaultBaseConfig, config);
