import type { CssNode } from 'css-tree';

/** `undefined` is "unknown", as in the three-valued logic of Media Queries 4, section 3.1. */
export type Truth = boolean | undefined;

export const not = (value: Truth): Truth => (value === undefined ? undefined : !value);

const or = (a: Truth, b: Truth): Truth => (a || b ? true : a === false && b === false ? false : undefined);
const and = (a: Truth, b: Truth): Truth => (a === false || b === false ? false : a && b ? true : undefined);

/** Conditions joined by `and`, `or` and `not`, as media and container queries have them. */
export function evaluateJoined(items: readonly CssNode[], evaluate: (item: CssNode) => Truth): Truth {
  let result: Truth;
  let joiner = 'and';
  let negate = false;
  let first = true;
  for (const item of items) {
    if (item.type === 'Identifier') {
      const word = item.name.toLowerCase();
      if (word === 'not') negate = true;
      else joiner = word;
      continue;
    }
    const value = negate ? not(evaluate(item)) : evaluate(item);
    negate = false;
    result = first ? value : joiner === 'or' ? or(result, value) : and(result, value);
    first = false;
  }
  return result;
}

/** Compares two amounts as a range of a query does. */
export function compareBy(sign: string, left: number, right: number): Truth {
  switch (sign) {
    case '<':
      return left < right;
    case '<=':
      return left <= right;
    case '>':
      return left > right;
    case '>=':
      return left >= right;
    case '=':
      return Math.abs(left - right) < 1e-6;
    default:
      return undefined;
  }
}
