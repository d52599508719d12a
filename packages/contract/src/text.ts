import { z } from 'zod';

/** Whether a text can be stored and sent on as it is: no NUL, which PostgreSQL cannot keep, and no half of a surrogate pair. */
export const isPlainText = (value: string): boolean => !/[\0\p{Surrogate}]/u.test(value);

/**
 * Text that is taken in from outside. Everything that takes text takes this, so that what cannot be stored is refused
 * with the field named.
 *
 * @param max in UTF-16 code units
 */
export const text = (max: number, tooLong = `Keep it under ${max + 1} characters.`): z.ZodString =>
  z
    .string()
    .max(max, tooLong)
    .refine(isPlainText, 'It holds a character that no text can have (NUL, or half of a surrogate pair).');
