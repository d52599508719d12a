import { lookSchema, type LookData } from '@retoque/contract';
import { z } from 'zod';

/** An edit that has not reached the server yet, kept in the browser so that closing the window loses nothing. */
const unsavedSchema = z.object({ baseRevision: z.number().int(), saveId: z.uuid(), look: lookSchema });
export type Unsaved = z.infer<typeof unsavedSchema>;

const keyOf = (trialId: string) => `retoque:unsaved:${trialId}`;

export function readUnsaved(trialId: string): Unsaved | undefined {
  try {
    const text = localStorage.getItem(keyOf(trialId));
    const parsed = text ? unsavedSchema.safeParse(JSON.parse(text)) : undefined;
    return parsed?.success ? parsed.data : undefined;
  } catch {
    return undefined;
  }
}

export function writeUnsaved(trialId: string, unsaved: Unsaved): void {
  try {
    localStorage.setItem(keyOf(trialId), JSON.stringify(unsaved));
  } catch {
    // Without storage the edit still lives in this window.
  }
}

export function dropUnsaved(trialId: string): void {
  try {
    localStorage.removeItem(keyOf(trialId));
  } catch {
    // There was nothing to drop.
  }
}

export const sameLook = (a: LookData, b: LookData): boolean => JSON.stringify(a) === JSON.stringify(b);
