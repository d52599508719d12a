import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';
import { benchStyles } from './styles/benchStyles';
import { button, dialog, input, popover, tabs, textarea, toast } from './recipes';
import { colours } from './colours';
import { tokens } from './tokens';

const config = defineConfig({
  preflight: true,
  globalCss: {
    'html, body, #root': { height: '100%' },
    body: {
      margin: 0,
      bg: 'ground',
      color: 'ink',
      fontFamily: 'body',
      fontSize: '13px',
      lineHeight: 1.35,
      fontFeatureSettings: '"tnum"',
    },
    ...benchStyles,
    '::selection': { bg: 'selection' },
    'a:focus-visible': { outline: '2px solid {colors.accent}', outlineOffset: '2px', borderRadius: '2px' },
    '*, *::before, *::after': {
      _motionReduce: { transitionDuration: '0.01ms !important', animationDuration: '0.01ms !important' },
    },
  },
  theme: {
    breakpoints: { sm: '480px', md: '768px', lg: '1024px', xl: '1280px' },
    tokens,
    semanticTokens: colours,
    keyframes: { slide: { from: { left: '-40%' }, to: { left: '100%' } } },
    recipes: { button, input, textarea },
    slotRecipes: { dialog, popover, tabs, toast },
  },
});

/** Only what is used: the library's own look and its weight stay out. */
export const system = createSystem(defaultBaseConfig, config);
