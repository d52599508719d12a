import { defineTokens } from '@chakra-ui/react';

/** What is the same in the light and in the dark interface. */
export const tokens = defineTokens({
  fonts: {
    body: { value: '"Instrument Sans Variable", system-ui, sans-serif' },
    heading: { value: '"Instrument Sans Variable", system-ui, sans-serif' },
    mono: { value: '"Commit Mono", ui-monospace, monospace' },
  },
  radii: { s: { value: '3px' }, m: { value: '4px' }, l: { value: '6px' }, xl: { value: '10px' } },
});
