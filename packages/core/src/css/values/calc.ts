import { generate, type CssNode } from 'css-tree';
import type { ValueContext } from './context.js';
import { printNumber } from '../../base/number.js';
import { canonical } from './units.js';
import { lookup } from '../../base/lookup.js';

/**
 * What a calculation comes to: amounts by unit ('' for plain numbers, '%' for percentages), and comparisons that only
 * layout can decide, such as `min(50%, 300px)`, each with a factor.
 */
export interface Amount {
  readonly terms: ReadonlyMap<string, number>;
  readonly open: readonly (readonly [number, string])[];
}

const amountOf = (value: number, unit: string): Amount => ({ terms: new Map([[unit, value]]), open: [] });

const scale = (amount: Amount, by: number): Amount => ({
  terms: new Map([...amount.terms].map(([unit, value]) => [unit, value * by])),
  open: amount.open.map(([factor, text]) => [factor * by, text]),
});

function add(a: Amount, b: Amount): Amount {
  const terms = new Map(a.terms);
  for (const [unit, value] of b.terms) terms.set(unit, (terms.get(unit) ?? 0) + value);
  return { terms, open: [...a.open, ...b.open] };
}

/** The value of an amount in one unit; undefined when it has several or is left open. */
export function single(amount: Amount): { readonly value: number; readonly unit: string } | undefined {
  if (amount.open.length || amount.terms.size !== 1) return undefined;
  const [[unit, value]] = [...amount.terms] as [[string, number]];
  return { value, unit };
}

const plain = (amount: Amount): number | undefined => {
  const one = single(amount);
  return one?.unit === '' ? one.value : undefined;
};

export const MATHS: ReadonlySet<string> = new Set(
  `calc -webkit-calc min max clamp round mod rem abs sign sin cos tan asin acos atan atan2 pow sqrt hypot log exp`.split(
    ' ',
  ),
);

const CONSTANTS: Readonly<Record<string, number>> = lookup({
  e: Math.E,
  pi: Math.PI,
  infinity: Infinity,
  '-infinity': -Infinity,
  nan: NaN,
});

/** Evaluates one operand or math function (CSS Values 4, section 10); undefined for what is no calculation. */
export function evaluate(node: CssNode, context: ValueContext): Amount | undefined {
  switch (node.type) {
    case 'Number':
      return amountOf(Number(node.value), '');
    case 'Percentage':
      return amountOf(Number(node.value), '%');
    case 'Dimension': {
      const [value, unit] = canonical(Number(node.value), node.unit, context);
      return amountOf(value, unit);
    }
    case 'Identifier': {
      const constant = CONSTANTS[node.name.toLowerCase()];
      return constant === undefined ? undefined : amountOf(constant, '');
    }
    case 'Parentheses':
      return evaluateSum(node.children.toArray(), context);
    case 'Function': {
      const name = node.name.toLowerCase();
      return MATHS.has(name) ? evaluateFunction(name, node.children.toArray(), context) : undefined;
    }
    default:
      return undefined;
  }
}

const typeOf = (unit: string): string =>
  ['', 'deg', 's', 'hz', 'dppx', 'fr'].includes(unit) ? unit : unit === '%' ? '%' : 'length';

/** Only amounts of one type can be added or compared; a percentage stands for whatever the property takes. */
function sameType(a: Amount, b: Amount): boolean {
  const types = new Set([...a.terms.keys(), ...b.terms.keys()].map(typeOf));
  if (types.size < 2) return true;
  types.delete('%');
  return types.size < 2 && !types.has('');
}

/** Products before sums. */
function evaluateSum(nodes: readonly CssNode[], context: ValueContext): Amount | undefined {
  let total: Amount | undefined;
  let product: Amount | undefined;
  let sign = 1;
  let operator = '';
  const flush = () => {
    if (!product || (total && !sameType(total, product))) return false;
    const signed = sign === 1 ? product : scale(product, sign);
    total = total ? add(total, signed) : signed;
    product = undefined;
    return true;
  };
  for (const node of nodes) {
    if (node.type === 'WhiteSpace') continue;
    if (node.type === 'Operator') {
      // The parser keeps the spaces around a sign.
      const symbol = node.value.trim();
      if (symbol === '+' || symbol === '-') {
        if (!flush()) return undefined;
        sign = symbol === '+' ? 1 : -1;
        operator = '';
      } else operator = symbol;
      continue;
    }
    const value = evaluate(node, context);
    if (!value) return undefined;
    if (!product) {
      product = value;
      continue;
    }
    const [left, right] = [plain(product), plain(value)];
    if (operator === '*') {
      if (right !== undefined) product = scale(product, right);
      else if (left !== undefined) product = scale(value, left);
      else return undefined;
    } else if (operator === '/') {
      if (right !== undefined) product = scale(product, 1 / right);
      else {
        // A quotient of two amounts in one unit is a number (CSS Values 4, section 10.2).
        const [above, below] = [single(product), single(value)];
        if (!above || !below || above.unit !== below.unit) return undefined;
        product = amountOf(above.value / below.value, '');
      }
    } else return undefined;
    operator = '';
  }
  return flush() ? total : undefined;
}

const ROUNDINGS = ['nearest', 'up', 'down', 'to-zero'];

function roundTo(strategy: string, value: number, step: number): number {
  if (step === 0) return NaN;
  const ratio = value / step;
  const rounded =
    strategy === 'up'
      ? Math.ceil(ratio)
      : strategy === 'down'
        ? Math.floor(ratio)
        : strategy === 'to-zero'
          ? Math.trunc(ratio)
          : Math.floor(ratio + 0.5);
  return rounded * step;
}

const inRadians = (amount: Amount): number | undefined => {
  const one = single(amount);
  if (one?.unit === '') return one.value;
  return one?.unit === 'deg' ? (one.value * Math.PI) / 180 : undefined;
};

const ARITHMETIC: Readonly<Record<string, (...values: number[]) => number>> = lookup({
  min: Math.min,
  max: Math.max,
  clamp: (low, value, high) => Math.max(low!, Math.min(value!, high!)),
  mod: (a, b) => a! - b! * Math.floor(a! / b!),
  rem: (a, b) => a! % b!,
  abs: (a) => Math.abs(a!),
  hypot: Math.hypot,
});

function evaluateFunction(name: string, nodes: readonly CssNode[], context: ValueContext): Amount | undefined {
  const groups: CssNode[][] = [[]];
  for (const node of nodes) {
    if (node.type === 'Operator' && node.value.trim() === ',') groups.push([]);
    else groups.at(-1)!.push(node);
  }
  let strategy = 'nearest';
  const [first] = groups;
  if (name === 'round' && first?.length === 1 && first[0]!.type === 'Identifier') {
    strategy = first[0]!.name.toLowerCase();
    if (!ROUNDINGS.includes(strategy)) return undefined;
    groups.shift();
  }
  const isNone = (group: readonly CssNode[]) =>
    group.length === 1 && group[0]!.type === 'Identifier' && group[0]!.name.toLowerCase() === 'none';
  if (name === 'clamp' && groups.length === 3 && groups.some(isNone)) return clampOpen(groups, isNone, context);
  const values = groups.map((group) => evaluateSum(group, context));
  if (!values.length || values.some((value) => !value)) return undefined;
  const known = values as Amount[];
  if (!known.every((value) => sameType(known[0]!, value))) return undefined;
  const [a, b] = known as [Amount, Amount | undefined];

  switch (name) {
    case 'calc':
    case '-webkit-calc':
      return known.length === 1 ? a : undefined;
    case 'sin':
    case 'cos':
    case 'tan': {
      const angle = inRadians(a);
      return angle === undefined ? undefined : amountOf(Math[name](angle), '');
    }
    case 'asin':
    case 'acos':
    case 'atan': {
      const value = plain(a);
      return value === undefined ? undefined : amountOf((Math[name](value) * 180) / Math.PI, 'deg');
    }
    case 'atan2': {
      const [y, x] = [single(a), b && single(b)];
      return y && x && y.unit === x.unit ? amountOf((Math.atan2(y.value, x.value) * 180) / Math.PI, 'deg') : undefined;
    }
    case 'pow':
    case 'sqrt':
    case 'exp':
    case 'log': {
      const [x, y] = [plain(a), b && plain(b)];
      if (x === undefined || (b && y === undefined)) return undefined;
      const result =
        name === 'pow'
          ? x ** (y ?? NaN)
          : name === 'sqrt'
            ? Math.sqrt(x)
            : name === 'exp'
              ? Math.exp(x)
              : Math.log(x) / (y === undefined ? 1 : Math.log(y));
      return amountOf(result, '');
    }
    case 'sign': {
      const one = single(a);
      return one && one.unit !== '%' ? amountOf(Math.sign(one.value), '') : undefined;
    }
  }
  const singles = known.map(single);
  const unit = singles[0]?.unit;
  if (singles.every((one) => one && one.unit === unit)) {
    const amounts = singles.map((one) => one!.value);
    if (name === 'round') return amountOf(roundTo(strategy, amounts[0]!, amounts[1] ?? 1), unit!);
    const arithmetic = ARITHMETIC[name];
    return arithmetic && amountOf(arithmetic(...amounts), unit!);
  }
  // Percentages beside lengths: only layout knows which is the smaller.
  const words = name === 'round' && strategy !== 'nearest' ? [strategy] : [];
  return { terms: new Map(), open: [[1, `${name}(${[...words, ...known.map(printInner)].join(', ')})`]] };
}

function clampOpen(
  groups: readonly CssNode[][],
  isNone: (group: readonly CssNode[]) => boolean,
  context: ValueContext,
): Amount | undefined {
  const [low, value, high] = groups as [CssNode[], CssNode[], CssNode[]];
  if (isNone(low) && isNone(high)) return evaluateSum(value, context);
  const comma: CssNode = { type: 'Operator', value: ',' };
  return isNone(low)
    ? evaluateFunction('min', [...value, comma, ...high], context)
    : evaluateFunction('max', [...low, comma, ...value], context);
}

const ORDER = ['', '%', 'px'];
const orderOf = (unit: string) => (ORDER.includes(unit) ? ORDER.indexOf(unit) : ORDER.length);

function printInner(amount: Amount): string {
  let text = '';
  const put = (value: number, unit: string) => {
    const printed = `${printNumber(Math.abs(value))}${unit}`;
    text += text ? ` ${value < 0 ? '-' : '+'} ${printed}` : value < 0 ? `-${printed}` : printed;
  };
  const several = amount.terms.size + amount.open.length > 1;
  for (const [unit, value] of [...amount.terms].sort((a, b) => orderOf(a[0]) - orderOf(b[0]))) {
    // Beside a percentage nothing is added by a length of zero.
    if (several && value === 0 && unit !== '%') continue;
    put(value, unit);
  }
  for (const [factor, open] of amount.open) {
    const printed = Math.abs(factor) === 1 ? open : `${printNumber(Math.abs(factor))} * ${open}`;
    text += text ? ` ${factor < 0 ? '-' : '+'} ${printed}` : factor < 0 ? `-1 * ${open}` : printed;
  }
  return text || '0px';
}

/** An amount as a computed value is printed: one unit plainly, a mixture as calc(), a comparison as itself. */
export function printAmount(amount: Amount): string {
  const one = single(amount);
  if (one) {
    if (Number.isFinite(one.value)) return `${printNumber(one.value)}${one.unit}`;
    // Infinity is clamped to the largest length that is held; NaN counts as zero (CSS Values 4, section 10.9).
    if (Number.isNaN(one.value)) return `0${one.unit}`;
    return `${printNumber(Math.sign(one.value) * 33554430)}${one.unit}`;
  }
  if (!amount.terms.size && amount.open.length === 1 && amount.open[0]![0] === 1) return amount.open[0]![1];
  const text = printInner(amount);
  return /^[+-]?[\d.]+(?:e[+-]?\d+)?(?:%|[a-z]+)?$/.test(text) ? text : `calc(${text})`;
}

/** A node that cannot be worked out, as it was written. */
export const asWritten = (node: CssNode): string => generate(node);
