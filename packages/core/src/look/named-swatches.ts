import { QUOTED } from '../css/syntax/quoted.js';

/** A swatch as a value names it: `swatch(quay-blue)`, or `swatch(quay-blue / 40%)` where it lets something through. */
export interface NamedSwatch {
  /** The whole as it is written. */
  readonly text: string;
  /** Empty where what is written is no id. */
  readonly id: string;
  /** As it is written: `40%` or `.4`. */
  readonly opacity: string | undefined;
}

const TOKEN = new RegExp(String.raw`${QUOTED}|\bswatch\(([^()]*)\)`, 'gi');
const NAMED = /^([\w-]+)(?:\/([\d.]+%?))?$/;

/** Most values name none, and are not read for it. */
export const namesSwatch = (value: string): boolean => /swatch\(/i.test(value);

/** A value with something else in place of the swatches that it names, wherever they stand in it. */
export function replaceSwatches(value: string, put: (named: NamedSwatch) => string): string {
  if (!namesSwatch(value)) return value;
  return value.replace(TOKEN, (text: string, inner: string | undefined) => {
    if (inner === undefined) return text;
    const [, id = '', opacity] = NAMED.exec(inner.replace(/\s+/g, '')) ?? [];
    return put({ text, id, opacity });
  });
}

/** Whether a value names one swatch. */
export function namesThis(value: string, id: string): boolean {
  let isNamed = false;
  replaceSwatches(value, (named) => {
    isNamed ||= named.id === id;
    return named.text;
  });
  return isNamed;
}
