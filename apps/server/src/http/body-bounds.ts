import { problem, type ProblemException } from './problem.js';

/** Bounds of a JSON body's shape. */
export const BODY_BOUNDS = { bytes: 20 * 1024 * 1024, depth: 64, members: 600_000 } as const;

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COLON = 0x3a;
const OPEN = new Set([0x5b, 0x7b]);
const CLOSE = new Set([0x5d, 0x7d]);

/**
 * Counts how deep a JSON text nests and how many members its objects have, without building anything of it.
 *
 * @throws ProblemException 413 past a bound, naming it
 */
export function boundBody(bytes: Uint8Array): void {
  let depth = 0;
  let members = 0;
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i]!;
    if (byte === QUOTE) i = endOfString(bytes, i);
    else if (OPEN.has(byte)) {
      if (++depth > BODY_BOUNDS.depth) throw tooMuch(`nests more than ${BODY_BOUNDS.depth} levels deep`);
    } else if (CLOSE.has(byte)) depth--;
    else if (byte === COLON && ++members > BODY_BOUNDS.members) {
      throw tooMuch(`has more than ${BODY_BOUNDS.members.toLocaleString('en')} members`);
    }
  }
}

function endOfString(bytes: Uint8Array, start: number): number {
  let i = start + 1;
  while (i < bytes.length && bytes[i] !== QUOTE) i += bytes[i] === BACKSLASH ? 2 : 1;
  return i;
}

const tooMuch = (what: string): ProblemException =>
  problem('tooLarge', 413, 'That is too large', `The body of the request ${what}.`);
