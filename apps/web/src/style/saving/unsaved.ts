import { lookSchema, type LookData } from '@retoque/contract';
import { z } from 'zod';
import { openWindows, windowId } from '../../shell/window-id';

/** A save that went out and was not answered: the server may have carried it out. */
const sentSchema = z.object({ saveId: z.uuid(), look: lookSchema, step: z.string().optional() });
export type SentSave = z.infer<typeof sentSchema>;

/** An edit that has not reached the server yet, kept in the browser so that closing the window loses nothing. */
const unsavedSchema = z.object({
  baseRevision: z.number().int(),
  /** The look that the edit was made on; absent in what an older version kept. */
  base: lookSchema.optional(),
  look: lookSchema,
  sent: sentSchema.optional(),
});
export type Unsaved = z.infer<typeof unsavedSchema>;

/** What older versions kept: one id for the edit, which may have gone out under it. */
const olderSchema = unsavedSchema.omit({ sent: true }).extend({ saveId: z.uuid() });

/** @returns undefined for what is none */
export function readUnsaved(text: string): Unsaved | undefined {
  const data: unknown = JSON.parse(text);
  const older = olderSchema.safeParse(data);
  if (older.success) {
    const { saveId, ...edit } = older.data;
    return { ...edit, sent: { saveId, look: edit.look } };
  }
  const parsed = unsavedSchema.safeParse(data);
  return parsed.success ? parsed.data : undefined;
}

/** Where the edits of one look are kept in one window; each window keeps its own, and none overwrites another's. */
export interface Shelf {
  readonly read: () => Unsaved | undefined;
  readonly write: (unsaved: Unsaved) => void;
  readonly drop: () => void;
}

const prefixOf = (trialId: string) => `retoque:unsaved:${trialId}`;

function shelfAt(key: string): Shelf {
  return {
    read: () => {
      try {
        const text = localStorage.getItem(key);
        return text ? readUnsaved(text) : undefined;
      } catch {
        return undefined;
      }
    },
    write: (unsaved) => {
      try {
        localStorage.setItem(key, JSON.stringify(unsaved));
      } catch {
        // Without storage the edit still lives in this window.
      }
    },
    drop: () => {
      try {
        localStorage.removeItem(key);
      } catch {
        // There was nothing to drop.
      }
    },
  };
}

/**
 * The shelf of this window for a look: its own, or else one that a window which is gone has left an edit on. An edit
 * that is taken up goes on under the name of this window.
 */
export async function shelfFor(trialId: string): Promise<Shelf> {
  const id = await windowId();
  const own = shelfAt(`${prefixOf(trialId)}:${id}`);
  if (own.read()) return own;
  try {
    const alive = await openWindows();
    for (const key of keysOf(trialId)) {
      const owner = key.slice(prefixOf(trialId).length + 1);
      const left = alive.has(owner) ? undefined : shelfAt(key);
      const edit = left?.read();
      if (!edit) continue;
      own.write(edit);
      left!.drop();
      return own;
    }
  } catch {
    // Then there is only what this window itself has.
  }
  return own;
}

function keysOf(trialId: string): string[] {
  const keys: string[] = [];
  for (let i = 0; i < localStorage.length; i++) {
    const key = localStorage.key(i);
    if (key?.startsWith(prefixOf(trialId))) keys.push(key);
  }
  return keys.sort();
}

export const sameLook = (a: LookData, b: LookData): boolean => JSON.stringify(a) === JSON.stringify(b);
