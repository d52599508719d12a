import { parseColour } from '../../../colour/parse.js';
import { toHex } from '../../../colour/print.js';

/** Rules for parsing a legacy colour value (HTML, section 2.3.6): nearly any text names some colour. */
export function legacyColour(text: string): string | undefined {
  let value = text.trim();
  if (value === '' || value.toLowerCase() === 'transparent') return undefined;
  if (/^[a-z]+$/i.test(value)) {
    const named = parseColour(value);
    if (named) return toHex(named);
  }
  if (/^#[0-9a-f]{3}$/i.test(value)) {
    return `#${[...value.slice(1)].map((digit) => digit + digit).join('')}`.toLowerCase();
  }
  value = [...value]
    .map((character) => (character.codePointAt(0)! > 0xffff ? '00' : character))
    .join('')
    .slice(0, 128);
  if (value.startsWith('#')) value = value.slice(1);
  value = value.replace(/[^0-9a-f]/gi, '0');
  while (value.length === 0 || value.length % 3) value += '0';
  let parts = [0, 1, 2].map((i) => value.slice((i * value.length) / 3, ((i + 1) * value.length) / 3));
  parts = parts.map((part) => part.slice(-8));
  while (parts[0]!.length > 2 && parts.every((part) => part.startsWith('0')))
    parts = parts.map((part) => part.slice(1));
  return `#${parts.map((part) => part.slice(0, 2).padStart(2, '0')).join('')}`.toLowerCase();
}
