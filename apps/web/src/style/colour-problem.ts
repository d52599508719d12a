import { cssTextSchema } from '@retoque/contract';
import { isColourText } from '@retoque/core';

/** What is wrong with typed text; undefined when it can stand in a cell. */
export function colourProblem(text: string): string | undefined {
  const valid = cssTextSchema.safeParse(text);
  if (!valid.success) return valid.error.issues[0]?.message;
  return isColourText(text)
    ? undefined
    : `“${text}” is not a CSS colour. Try a name, #0b5563, rgb(11 85 99) or oklch(0.4 0.07 214).`;
}
