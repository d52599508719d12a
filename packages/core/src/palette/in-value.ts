import { fade } from '../colour/composite.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { WRITTEN_COLOUR } from '../colour/written.js';
import { QUOTED } from '../css/syntax/quoted.js';
import { isNear } from './near.js';
import { SWATCH_ID, swatchText } from './swatch.js';

/** Strings and addresses, which hold no colours, and what may be one. */
const PIECES = new RegExp(String.raw`${QUOTED}|${WRITTEN_COLOUR}|[a-z][\w-]*(?!\()`, 'gi');

/** A colour that takes another's place. */
export interface ColourSwap {
  readonly from: Rgba;
  /** A colour of CSS, or a swatch: `swatch(quay)`. */
  readonly to: string;
  /** True where colours that look alike are meant too. */
  readonly near?: boolean | undefined;
}

/** The same colour, whatever it lets through. */
export function isMeant({ from, near }: Pick<ColourSwap, 'from' | 'near'>, colour: Rgba): boolean {
  if (colour.alpha === 0) return false;
  const [own, other] = [
    { ...from, alpha: 1 },
    { ...colour, alpha: 1 },
  ];
  return sameRgba(own, other) || (near === true && isNear(own, other));
}

/** The colours of a value as they are written there. */
export function coloursIn(value: string): { readonly text: string; readonly colour: Rgba }[] {
  return [...value.matchAll(PIECES)].flatMap(([text]) => {
    const colour = isWritten(text) ? parseColour(text) : undefined;
    return colour ? [{ text, colour }] : [];
  });
}

/**
 * The value with other colours in place of those that it has.
 *
 * @param other what is put in a colour's place; undefined to leave it
 * @returns undefined where all are left
 */
export function recolourValue(value: string, other: (colour: Rgba) => string | undefined): string | undefined {
  let isChanged = false;
  const text = value.replace(PIECES, (piece) => {
    const colour = isWritten(piece) ? parseColour(piece) : undefined;
    const next = colour && other(colour);
    if (next === undefined) return piece;
    isChanged = true;
    return next;
  });
  return isChanged ? text : undefined;
}

/** The value with another colour wherever it has one; undefined where it has not. */
export const swapIn = (value: string, swap: ColourSwap): string | undefined =>
  recolourValue(value, (colour) => {
    if (!isMeant(swap, colour)) return undefined;
    return colour.alpha < swap.from.alpha ? faded(swap.to, colour.alpha / swap.from.alpha) : swap.to;
  });

const isWritten = (text: string): boolean => !/^["']|^url\(/i.test(text);

function faded(to: string, opacity: number): string {
  const id = /^swatch\(([^()/]+)\)$/.exec(to)?.[1]?.trim();
  if (id !== undefined && SWATCH_ID.test(id)) return swatchText(id, opacity);
  const colour = parseColour(to);
  return colour ? toHex(fade(colour, opacity)) : to;
}
