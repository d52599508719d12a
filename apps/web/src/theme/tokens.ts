import { defineTokens } from '@chakra-ui/react';

/**
 * Neutral greys, so that an owner's colours are judged without a cast; one accent; a short check has a colour of its
 * own beside its shape and words.
 */
export const tokens = defineTokens({
  colors: {
    ground: { value: '#e4e4e2' },
    sheet: { value: '#f6f6f4' },
    card: { value: '#ffffff' },
    line: { value: '#d0d0cc' },
    lineSoft: { value: '#e6e6e3' },
    edge: { value: '#83868a' },
    ink: { value: '#1d1e1f' },
    ink2: { value: '#4c4f51' },
    ink3: { value: '#5f6365' },
    bar: { value: '#1d1e1f' },
    barText: { value: '#c3c5c6' },
    accent: { value: '#0b5563' },
    accentSoft: { value: '#e7f1f2' },
    lamp: { value: '#e9c46a' },
    short: { value: '#a8321a' },
    shortSoft: { value: '#fbeae4' },
    unsure: { value: '#6b4e00' },
    unsureSoft: { value: '#fbf3dc' },
  },
  fonts: {
    body: { value: '"Instrument Sans Variable", system-ui, sans-serif' },
    heading: { value: '"Instrument Sans Variable", system-ui, sans-serif' },
    mono: { value: '"Commit Mono", ui-monospace, monospace' },
  },
  radii: { s: { value: '3px' }, m: { value: '4px' }, l: { value: '6px' }, xl: { value: '10px' } },
  shadows: {
    lift: { value: '0 1px 2px rgba(20, 20, 20, .08), 0 6px 22px rgba(20, 20, 20, .08)' },
    over: { value: '0 2px 6px rgba(20, 20, 20, .14), 0 24px 60px rgba(20, 20, 20, .26)' },
  },
});
