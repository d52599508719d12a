import { isLonghandValue, kindNamed, type Look } from '@retoque/core';
import { z } from 'zod';
import { addFinishSchema, type AddFinish, type Finish } from './finish.js';
import { settingSchema, whenSchema } from './look.js';
import { text } from './text.js';

/** Names the format within a file; `version` is another where older programs could not read it. */
export const FINISH_FORMAT = 'retoque-finish';

const fileSettingSchema = settingSchema
  .omit({ exception: true, when: true })
  .extend({ when: whenSchema.omit({ page: true }).partial().default({}) });

/** A finish as a file: what it says, with nothing of the site that it comes from. */
export const finishFileSchema = z.object({
  format: z.literal(FINISH_FORMAT),
  version: z.literal(1),
  name: text(60).trim().min(1),
  /** The kind of component that it is for. */
  kind: text(60).min(1),
  settings: z.array(fileSettingSchema).min(1).max(5000),
});
export type FinishFile = z.infer<typeof finishFileSchema>;

/** The largest file that is read, in characters. */
const LONGEST = 2_000_000;
/** Values that are named where they are refused. */
const MOST_NAMED = 3;

/**
 * A finish as a file has it.
 *
 * @param resolve puts colours in place of the swatches that a look names, which other sites have not
 */
export function writeFinishFile(
  { name, kind, look }: Pick<Finish, 'name' | 'kind' | 'look'>,
  resolve: (look: Look) => Look,
): string {
  const { settings } = resolve(look as Look);
  const file: FinishFile = {
    format: FINISH_FORMAT,
    version: 1,
    name,
    kind,
    settings: settings.map(({ part, property, value, when: { states, viewport, scheme, motion } }) => ({
      part,
      property,
      value,
      when: { states: [...states], viewport, scheme, motion },
    })),
  };
  return `${JSON.stringify(file, undefined, 2)}\n`;
}

/** What a file says, or what is wrong with it and what to do. */
export type ReadFinish =
  { readonly ok: true; readonly finish: AddFinish } | { readonly ok: false; readonly problem: string };

const refused = (problem: string): ReadFinish => ({ ok: false, problem });

/** Reads a finish from a file; whatever is wrong in it, nothing of it is taken. */
export function readFinishFile(content: string): ReadFinish {
  if (content.length > LONGEST)
    return refused('This file is too large for a finish: it has more than 2 million characters.');
  let json: unknown;
  try {
    json = JSON.parse(content);
  } catch {
    return refused('This file is no JSON. Choose a file that was saved from a finish.');
  }
  const format = (json as { format?: unknown } | null)?.format;
  if (format !== FINISH_FORMAT) return refused('This file is no finish. Choose a file that was saved from a finish.');
  const read = finishFileSchema.safeParse(json);
  if (!read.success) {
    const { path, message } = read.error.issues[0]!;
    return refused(`This finish cannot be read at “${path.join('.')}”: ${message}`);
  }
  const { name, kind, settings } = read.data;
  if (!kindNamed(kind))
    return refused(`This finish is for “${kind}”, a kind of component that this version does not know.`);
  const bad = settings.filter(({ property, value }) => !isLonghandValue(property, value));
  if (bad.length) {
    const named = bad.slice(0, MOST_NAMED).map(({ property, value }) => `${property}: ${value}`);
    const more = bad.length > MOST_NAMED ? `, and ${bad.length - MOST_NAMED} more` : '';
    return refused(`Browsers would drop these values: ${named.join('; ')}${more}.`);
  }
  const look = {
    settings: settings.map(({ when, ...setting }) => ({ ...setting, when: { ...when, states: when.states ?? [] } })),
    exceptions: [],
    muted: [],
  };
  const finish = addFinishSchema.safeParse({ kind, name, look });
  return finish.success ? { ok: true, finish: finish.data } : refused(finish.error.issues[0]!.message);
}
