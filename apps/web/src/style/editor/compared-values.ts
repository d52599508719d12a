import type { Compared } from '../look/useCompared';

/** As many as stand beside each other at a readable size. */
export const MOST_COMPARED = 3;

/** Adds a value, once; no more than there is room for. */
export const withValue = (compared: Compared, text: string): Compared =>
  compared.texts.length >= MOST_COMPARED || compared.texts.includes(text)
    ? compared
    : { ...compared, texts: [...compared.texts, text] };

export const withoutValue = (compared: Compared, text: string): Compared => ({
  ...compared,
  texts: compared.texts.filter((other) => other !== text),
});
