import { generate, string as cssString, type CssNode, type FunctionNode } from 'css-tree';
import { asWritten, evaluate, MATHS, printAmount } from './calc.js';
import { computeColour, isColourFunction } from './colour.js';
import type { ValueContext } from './context.js';
import { computeGradient, isGradient } from './gradient.js';
import { isOperator } from './split.js';
import { computeUrl } from './url.js';
import { lookup } from '../../base/lookup.js';

/** How plain numbers and words are taken where a value does not say it itself. */
export interface TermOptions {
  /** Unit of a plain number: `px` where a length is meant, `deg` where an angle is. */
  readonly numberUnit?: '' | 'px' | 'deg';
  /** Words are names given by the author, so their case stays. */
  readonly keepCase?: boolean;
  /** Words that name colours are computed as such. */
  readonly colours?: boolean;
}

/** Functions whose plain zeros are lengths or angles. */
const NUMBER_UNITS: Readonly<Record<string, 'px' | 'deg'>> = lookup({
  translate: 'px',
  translatex: 'px',
  translatey: 'px',
  translatez: 'px',
  translate3d: 'px',
  perspective: 'px',
  rotate: 'deg',
  rotatex: 'deg',
  rotatey: 'deg',
  rotatez: 'deg',
  skew: 'deg',
  skewx: 'deg',
  skewy: 'deg',
  'hue-rotate': 'deg',
  blur: 'px',
  inset: 'px',
  circle: 'px',
  ellipse: 'px',
  polygon: 'px',
  rect: 'px',
  xywh: 'px',
  'fit-content': 'px',
  minmax: 'px',
});

/** Names of functions that are written with capitals. */
const SPELLINGS: Readonly<Record<string, string>> = lookup({
  translatex: 'translateX',
  translatey: 'translateY',
  translatez: 'translateZ',
  scalex: 'scaleX',
  scaley: 'scaleY',
  scalez: 'scaleZ',
  rotatex: 'rotateX',
  rotatey: 'rotateY',
  rotatez: 'rotateZ',
  skewx: 'skewX',
  skewy: 'skewY',
});

/** Scales take percentages as numbers (CSS Transforms 2, section 12.1). */
const PERCENT_AS_NUMBER = new Set(['scale', 'scalex', 'scaley', 'scalez', 'scale3d']);

function computeFunction(node: FunctionNode, context: ValueContext, options: TermOptions): string {
  const name = node.name.toLowerCase();
  if (MATHS.has(name)) {
    const amount = evaluate(node, context);
    return amount ? printAmount(amount) : asWritten(node);
  }
  if (isColourFunction(node)) return computeColour(node, context) ?? asWritten(node);
  if (isGradient(name)) return computeGradient(node, context);
  if (name === 'url' || name === 'src') return asWritten(node);
  const percent = PERCENT_AS_NUMBER.has(name);
  const inner: TermOptions = {
    ...options,
    numberUnit: NUMBER_UNITS[name] ?? '',
    colours: /image-set|cross-fade|^image$/.test(name),
  };
  const nodes = node.children
    .toArray()
    .map((child): CssNode =>
      percent && child.type === 'Percentage' ? { type: 'Number', value: String(Number(child.value) / 100) } : child,
    );
  return `${SPELLINGS[name] ?? name}(${computeTerms(nodes, context, inner)})`;
}

/** One term of a value, computed and printed. */
export function computeTerm(node: CssNode, context: ValueContext, options: TermOptions = {}): string {
  switch (node.type) {
    case 'Number': {
      const amount = evaluate(node, context)!;
      return printAmount(amount) + (options.numberUnit ?? '');
    }
    case 'Percentage':
    case 'Dimension':
      return printAmount(evaluate(node, context)!);
    case 'Identifier':
      if (options.colours) {
        const colour = computeColour(node, context);
        if (colour) return colour === 'currentcolor' ? context.of.currentColour : colour;
      }
      return options.keepCase ? node.name : node.name.toLowerCase();
    case 'Hash':
      return computeColour(node, context) ?? asWritten(node);
    case 'Url':
      return computeUrl(node.value, context);
    case 'String':
      return cssString.encode(node.value);
    case 'Function':
      return computeFunction(node, context, options);
    default:
      return generate(node);
  }
}

/** Terms in a row: spaces between them, a space after each comma, spaces around each slash. */
export function computeTerms(nodes: readonly CssNode[], context: ValueContext, options: TermOptions = {}): string {
  let text = '';
  for (const node of nodes) {
    if (node.type === 'WhiteSpace') continue;
    if (isOperator(node, ',')) text += ',';
    else if (isOperator(node, '/')) text += text ? ' /' : '/';
    else text += (text ? ' ' : '') + computeTerm(node, context, options);
  }
  return text;
}
