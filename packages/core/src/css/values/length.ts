import { type CssNode } from 'css-tree';
import { parseValue } from '../declaration.js';

/** What relative lengths refer to, in CSS pixels. */
export interface LengthBasis {
  readonly em: number;
  readonly rem: number;
  readonly vw: number;
  readonly vh: number;
  /** What 100% is; undefined where a percentage cannot be resolved from CSS alone. */
  readonly percent?: number | undefined;
}

const ABSOLUTE: Readonly<Record<string, number>> = {
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  pt: 96 / 72,
  pc: 16,
};

/** CSS Values 4: one length, percentage or number as pixels; undefined when it cannot be known. */
export function lengthToPx(text: string, basis: LengthBasis): number | undefined {
  const value = parseValue(text);
  const only = value && value.children.size === 1 ? value.children.first : undefined;
  return only ? nodeToPx(only, basis) : undefined;
}

function unitToPx(amount: number, unit: string, basis: LengthBasis): number | undefined {
  const absolute = ABSOLUTE[unit];
  if (absolute !== undefined) return amount * absolute;
  switch (unit) {
    case 'em':
      return amount * basis.em;
    case 'rem':
      return amount * basis.rem;
    case 'vw':
    case 'svw':
    case 'lvw':
    case 'dvw':
    case 'vi':
      return (amount * basis.vw) / 100;
    case 'vh':
    case 'svh':
    case 'lvh':
    case 'dvh':
    case 'vb':
      return (amount * basis.vh) / 100;
    case 'vmin':
      return (amount * Math.min(basis.vw, basis.vh)) / 100;
    case 'vmax':
      return (amount * Math.max(basis.vw, basis.vh)) / 100;
    default:
      return undefined;
  }
}

function nodeToPx(node: CssNode, basis: LengthBasis): number | undefined {
  switch (node.type) {
    case 'Number':
      return Number(node.value);
    case 'Dimension':
      return unitToPx(Number(node.value), node.unit.toLowerCase(), basis);
    case 'Percentage':
      return basis.percent === undefined ? undefined : (Number(node.value) * basis.percent) / 100;
    case 'Parentheses':
      return sumToPx(node.children.toArray(), basis);
    case 'Function':
      return functionToPx(node.name.toLowerCase(), node.children.toArray(), basis);
    default:
      return undefined;
  }
}

function functionToPx(name: string, nodes: readonly CssNode[], basis: LengthBasis): number | undefined {
  const args: CssNode[][] = [[]];
  for (const node of nodes) {
    if (node.type === 'Operator' && node.value === ',') args.push([]);
    else args.at(-1)!.push(node);
  }
  const values = args.map((arg) => sumToPx(arg, basis));
  if (values.some((value) => value === undefined)) return undefined;
  const known = values as number[];
  switch (name) {
    case 'calc':
    case '-webkit-calc':
      return known[0];
    case 'min':
      return Math.min(...known);
    case 'max':
      return Math.max(...known);
    case 'clamp':
      return Math.max(known[0]!, Math.min(known[1]!, known[2]!));
    default:
      return undefined;
  }
}

/** Products before sums; numbers and lengths are not told apart, since invalid mixes were dropped by the grammar. */
function sumToPx(nodes: readonly CssNode[], basis: LengthBasis): number | undefined {
  let total = 0;
  let product: number | undefined;
  let sign = 1;
  let operator = '';
  for (const node of nodes) {
    if (node.type === 'Operator') {
      // The parser keeps the spaces around a sign.
      const symbol = node.value.trim();
      if (symbol === '+' || symbol === '-') {
        if (product === undefined) return undefined;
        total += sign * product;
        sign = symbol === '+' ? 1 : -1;
        product = undefined;
        operator = '';
      } else operator = symbol;
      continue;
    }
    const value = nodeToPx(node, basis);
    if (value === undefined) return undefined;
    if (product === undefined) product = value;
    else if (operator === '*') product *= value;
    else if (operator === '/') product /= value;
    else return undefined;
  }
  return product === undefined ? undefined : total + sign * product;
}
