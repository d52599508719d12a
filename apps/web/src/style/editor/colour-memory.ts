import { COLOUR_FORMATS, type ColourFormat } from '@retoque/core';
import { z } from 'zod';

/** What this browser remembers of colours: those used last, and how they are written. */
const RECENT_KEY = 'retoque:recent-colours';
const FORMAT_KEY = 'retoque:colour-format';
const MOST = 8;

const recentSchema = z.array(z.string().max(40)).max(MOST);
const formatSchema = z.enum(COLOUR_FORMATS);

function read<T>(key: string, schema: z.ZodType<T>, otherwise: T): T {
  try {
    const parsed = schema.safeParse(JSON.parse(localStorage.getItem(key) ?? 'null'));
    return parsed.success ? parsed.data : otherwise;
  } catch {
    return otherwise;
  }
}

function write(key: string, value: unknown): void {
  try {
    localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // Without storage nothing is remembered beyond this window.
  }
}

export const recentColours = (): readonly string[] => read(RECENT_KEY, recentSchema, []);

/** Puts a colour in front of those used last. */
export function rememberColour(hex: string): readonly string[] {
  const recent = [hex, ...recentColours().filter((other) => other !== hex)].slice(0, MOST);
  write(RECENT_KEY, recent);
  return recent;
}

export const colourFormat = (): ColourFormat => read(FORMAT_KEY, formatSchema, 'hex');
export const rememberFormat = (format: ColourFormat): void => write(FORMAT_KEY, format);
