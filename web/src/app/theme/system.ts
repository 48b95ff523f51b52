import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';
import { COLOURS } from './colours.js';
import { globalCss } from './global.js';
import { layerStyles } from './layers.js';
import { button } from './recipes/button.js';
import { checkbox, field, input, nativeSelect, radioGroup, segmentGroup, slider } from './recipes/field.js';
import { accordion, collapsible, tabs } from './recipes/fold.js';
import { progress } from './recipes/progress.js';
import { combobox, dialog, drawer, menu, popover, toast } from './recipes/over.js';
import { table } from './recipes/table.js';
import { alert, emptyState, status, tooltip } from './recipes/told.js';
import { textStyles } from './text.js';

const config = defineConfig({
  cssVarsPrefix: 'rb',
  conditions: { ember: '[data-theme=ember] &' },
  globalCss,
  theme: {
    /** On a desk or a tablet held across; and where there is room for words beside signs. */
    breakpoints: { lg: '901px', xl: '1181px', '2xl': '1536px' },
    textStyles,
    layerStyles,
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
    slotRecipes: {
      accordion,
      alert,
      checkbox,
      collapsible,
      combobox,
      dialog,
      drawer,
      emptyState,
      field,
      menu,
      nativeSelect,
      popover,
      progress,
      radioGroup,
      segmentGroup,
      slider,
      status,
      table,
      tabs,
      toast,
      tooltip,
    },
  },
});

/** Our look as the component system knows it. */
export const system = createSystem(defaultBaseConfig, config);
