import { DESKTOP } from '../css/conditions/environment.js';
import { parseValue } from '../css/sheet/declaration.js';
import { evaluate, single } from '../css/values/calc.js';
import { ValueContext, type ValueSource } from '../css/values/context.js';
import { printNumber } from '../base/number.js';
import { lookup } from '../base/lookup.js';

/** A number with its unit; '' for a plain number, '%' for a percentage. */
export interface Quantity {
  readonly value: number;
  readonly unit: string;
}

const PLAIN = /^([+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?)(%|[a-z]+)?$/i;
/** Sums and products, with units or without: digits, signs and brackets. */
const SUM = /^[\d.\s+*/()%a-z×÷,-]+$/i;

/** Units of lengths, which are left as they are in a sum of several. */
const NOTHING_KNOWN: ValueSource = {
  environment: DESKTOP,
  em: 16,
  rem: 16,
  lh: undefined,
  rlh: undefined,
  metrics: undefined,
  rootMetrics: undefined,
  container: { width: undefined, height: undefined },
  currentColour: 'rgb(0, 0, 0)',
  scheme: 'light',
  base: undefined,
  attribute: () => undefined,
  unresolved: () => undefined,
};

/** @returns undefined for what is no single number */
export function readQuantity(text: string): Quantity | undefined {
  const match = PLAIN.exec(text.trim());
  return match ? { value: Number(match[1]), unit: (match[2] ?? '').toLowerCase() } : undefined;
}

export const printQuantity = ({ value, unit }: Quantity): string => `${printNumber(value)}${unit}`;

const unitsIn = (text: string): Set<string> =>
  new Set([...text.matchAll(/(?:\d|\.)\s*(%|[a-z]+)/gi)].map((match) => match[1]!.toLowerCase()));

/**
 * What was typed into a field for a number: `20`, `20px`, `1.5rem`, `10%`, and sums such as `2*8` or `(40 - 4) / 3 px`.
 * A sum in one unit is worked out; one in several becomes `calc()`.
 *
 * @param unit of a number without one; '' where plain numbers are meant
 * @returns CSS text; the text itself where it is something else, such as a keyword
 */
export function quantityText(typed: string, unit: string): string {
  const text = typed
    .trim()
    .replace(/×/g, '*')
    .replace(/÷/g, '/')
    .replace(/(\d),(\d)/g, '$1.$2');
  const plain = readQuantity(text);
  if (plain) return plain.unit === '' && plain.value !== 0 ? printQuantity({ ...plain, unit }) : printQuantity(plain);
  if (!/\d/.test(text) || !/[+*/-]/.test(text.slice(1)) || !SUM.test(text)) return typed.trim();
  const units = unitsIn(text);
  if (units.size > 1) return `calc(${text})`;
  const [only] = units;
  const bare = only === undefined ? text : text.replace(new RegExp(`((?:\\d|\\.))\\s*${only}\\b|${only}`, 'gi'), '$1');
  // Signs in a sum want room in CSS, and people leave none.
  const spaced = bare.replace(/([\d.)])\s*([+-])\s*(?=[\d.(])/g, '$1 $2 ');
  const node = parseValue(`calc(${spaced})`)?.children.first;
  const amount = node && evaluate(node, new ValueContext(NOTHING_KNOWN));
  const one = amount && single(amount);
  if (!one || one.unit !== '' || !Number.isFinite(one.value)) return typed.trim();
  return printQuantity({ value: one.value, unit: only ?? unit });
}

const STEPS: Readonly<Record<string, number>> = lookup({
  '': 0.1,
  em: 0.05,
  rem: 0.05,
  s: 0.05,
  ms: 10,
  turn: 0.01,
  rad: 0.02,
});

/**
 * The quantity so many steps on: a pixel, a hundredth of a percentage's whole, a twentieth of an em.
 *
 * @param least and most bounds in the quantity's own unit
 */
export function stepQuantity(
  quantity: Quantity,
  steps: number,
  { least = -Infinity, most = Infinity, step }: { least?: number; most?: number; step?: number | undefined } = {},
): Quantity {
  const size = step ?? STEPS[quantity.unit] ?? 1;
  const value = Number((quantity.value + steps * size).toFixed(4));
  return { ...quantity, value: Math.min(most, Math.max(least, value)) };
}
