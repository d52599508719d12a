import { ATOMS } from '@retoque/core';
import { z } from 'zod';
import { text } from './text.js';

export const atomSchema = z.enum(ATOMS);
export const partAtomSchema = z.object({ part: text(60), state: atomSchema });

export const whenSchema = z.object({
  states: z.array(partAtomSchema).max(16),
  page: z.uuid().optional(),
  viewport: z.enum(['medium', 'narrow']).optional(),
  scheme: z.literal('dark').optional(),
  motion: z.literal('reduced').optional(),
});

/** A longhand's name, custom properties included. */
const longhandSchema = text(120).regex(
  /^-{0,2}[a-z][a-z0-9-]*$/i,
  'A property name holds letters, digits and hyphens only.',
);

/** CSS value text; what could end a declaration or a rule is refused, so that no value can become a rule. */
export const cssTextSchema = text(4000)
  .trim()
  .min(1, 'Give a value, or clear the cell.')
  .refine((value) => !/[{};]|\/\*|<\//.test(value), 'A value holds no braces, semicolons or comments.');

export const settingSchema = z.object({
  part: text(60),
  exception: text(60).optional(),
  property: longhandSchema,
  when: whenSchema,
  value: cssTextSchema,
});

/** A few members of a part that differ; stored before parts and members were known, an exception reaches nothing. */
export const exceptionSchema = z.object({
  id: text(60),
  name: text(200),
  part: text(60).default(''),
  members: z.array(text(2000).min(1)).max(200).default([]),
});

export const lookSchema = z.object({
  finish: z.uuid().optional(),
  settings: z.array(settingSchema).max(5000),
  exceptions: z.array(exceptionSchema).max(200),
  muted: z.array(text(600)).max(5000),
  /** Selectors that the owner gave for parts, by the parts' names. */
  parts: z.record(text(60), text(2000).min(1)).optional(),
  /** What the owner calls parts, by their names. */
  names: z.record(text(60), text(40).min(1)).optional(),
  /** Which part an own one was split from, by its name. */
  splitFrom: z.record(text(60), text(60).min(1)).optional(),
});
export type LookData = z.infer<typeof lookSchema>;

export const locatorSchema = z.object({
  selector: text(2000).min(1),
  tag: text(80),
  classes: z.array(text(200)).max(200),
  attributes: z.record(text(60), text(400)),
  text: text(200),
  ancestry: z.array(text(600)).max(20),
});
