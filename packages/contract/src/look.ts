import { ATOMS } from '@retoque/core';
import { z } from 'zod';

const shortText = (max: number) => z.string().max(max);

export const atomSchema = z.enum(ATOMS);
export const partAtomSchema = z.object({ part: shortText(60), state: atomSchema });

export const whenSchema = z.object({
  states: z.array(partAtomSchema).max(16),
  page: z.uuid().optional(),
  viewport: z.enum(['medium', 'narrow']).optional(),
  scheme: z.literal('dark').optional(),
});

/** A longhand's name, custom properties included. */
const longhandSchema = z
  .string()
  .max(120)
  .regex(/^-{0,2}[a-z][a-z0-9-]*$/i, 'A property name holds letters, digits and hyphens only.');

/** CSS value text; what could end a declaration or a rule is refused, so that no value can become a rule. */
export const cssTextSchema = z
  .string()
  .trim()
  .min(1, 'Give a value, or clear the cell.')
  .max(4000)
  .refine((text) => !/[{};]|\/\*|<\//.test(text), 'A value holds no braces, semicolons or comments.');

export const settingSchema = z.object({
  part: shortText(60),
  exception: shortText(60).optional(),
  property: longhandSchema,
  when: whenSchema,
  value: cssTextSchema,
});

/** A few members of a part that differ; stored before parts and members were known, an exception reaches nothing. */
export const exceptionSchema = z.object({
  id: shortText(60),
  name: shortText(200),
  part: shortText(60).default(''),
  members: z.array(shortText(2000).min(1)).max(200).default([]),
});

export const lookSchema = z.object({
  finish: z.uuid().optional(),
  settings: z.array(settingSchema).max(5000),
  exceptions: z.array(exceptionSchema).max(200),
  muted: z.array(shortText(600)).max(5000),
  /** Selectors that the owner gave for parts, by the parts' names. */
  parts: z.record(shortText(60), shortText(2000).min(1)).optional(),
});
export type LookData = z.infer<typeof lookSchema>;

export const locatorSchema = z.object({
  selector: z.string().min(1).max(2000),
  tag: shortText(80),
  classes: z.array(shortText(200)).max(200),
  attributes: z.record(z.string().max(60), z.string().max(400)),
  text: shortText(200),
  ancestry: z.array(shortText(600)).max(20),
});
