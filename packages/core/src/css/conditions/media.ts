import { type CssNode } from 'css-tree';
import type { Environment } from './environment.js';
import { compareBy, evaluateJoined, not, type Truth } from './truth.js';
import { lookup } from '../../base/lookup.js';

/** A parsed `@media` prelude; evaluated against an environment. */
export interface MediaQueryList {
  readonly text: string;
  readonly node: CssNode | undefined;
}

const children = (node: CssNode): CssNode[] =>
  'children' in node && node.children ? (node.children as unknown as { toArray(): CssNode[] }).toArray() : [];

/** Media Queries 5: evaluates a query list; a query that cannot be read never matches. */
export function evaluateMedia(list: MediaQueryList, environment: Environment): boolean {
  if (!list.node) return list.text.trim() === '';
  const queries = list.node.type === 'MediaQueryList' ? children(list.node) : [list.node];
  return queries.length === 0 || queries.some((query) => evaluateQuery(query, environment) === true);
}

function evaluateQuery(node: CssNode, environment: Environment): Truth {
  if (node.type !== 'MediaQuery') return false;
  const type = node.mediaType?.toLowerCase();
  const typeHolds = type == null || type === 'all' || type === 'screen';
  const condition = node.condition ? evaluateCondition(node.condition, environment) : true;
  const holds: Truth = typeHolds ? condition : false;
  return node.modifier?.toLowerCase() === 'not' ? not(holds) : holds;
}

function evaluateCondition(node: CssNode, environment: Environment): Truth {
  switch (node.type) {
    case 'Condition':
      return evaluateJoined(children(node), (item) => evaluateCondition(item, environment));
    case 'Feature':
      return evaluateFeature(node.name, node.value ?? undefined, environment);
    case 'FeatureRange':
      return evaluateRange(node, environment);
    default:
      return undefined;
  }
}

/** Relative units in a query refer to the initial value, so one em is 16 px (Media Queries 5, section 1.3). */
const LENGTH_PX: Readonly<Record<string, number>> = lookup({
  px: 1,
  em: 16,
  rem: 16,
  pt: 96 / 72,
  pc: 16,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
});
const RESOLUTION_DPPX: Readonly<Record<string, number>> = lookup({ dppx: 1, x: 1, dpi: 1 / 96, dpcm: 2.54 / 96 });

function numberOf(node: CssNode): number | undefined {
  if (node.type === 'Number') return Number(node.value);
  if (node.type === 'Dimension') {
    const unit = node.unit.toLowerCase();
    const factor = LENGTH_PX[unit] ?? RESOLUTION_DPPX[unit];
    return factor === undefined ? undefined : Number(node.value) * factor;
  }
  if (node.type === 'Ratio') {
    const left = numberOf(node.left as unknown as CssNode);
    const right = node.right ? numberOf(node.right as unknown as CssNode) : 1;
    return left === undefined || right === undefined ? undefined : left / right;
  }
  return undefined;
}

/** A length other than zero needs a unit. */
function numberFor(feature: string, node: CssNode): number | undefined {
  const number = numberOf(node);
  const isLength = /(^|-)(width|height)$/.test(feature);
  return isLength && node.type === 'Number' && number !== 0 ? undefined : number;
}

function numericFeature(name: string, environment: Environment): number | undefined {
  const { width, height } = environment;
  switch (name) {
    case 'width':
    case 'device-width':
      return width;
    case 'height':
    case 'device-height':
      return height;
    case 'aspect-ratio':
    case 'device-aspect-ratio':
      return width / height;
    case 'resolution':
    case '-webkit-device-pixel-ratio':
      return environment.resolution;
    case 'color':
      return 8;
    case 'color-index':
    case 'monochrome':
    case 'grid':
      return 0;
    case '-webkit-transform-3d':
    case 'horizontal-viewport-segments':
    case 'vertical-viewport-segments':
      return 1;
    default:
      return undefined;
  }
}

function wordFeature(name: string, environment: Environment): readonly string[] | undefined {
  const hover = environment.touch ? 'none' : 'hover';
  const pointer = environment.touch ? 'coarse' : 'fine';
  switch (name) {
    case 'orientation':
      return [environment.height >= environment.width ? 'portrait' : 'landscape'];
    case 'prefers-color-scheme':
      return [environment.scheme];
    case 'prefers-reduced-motion':
      return [environment.reducedMotion ? 'reduce' : 'no-preference'];
    case 'prefers-contrast':
      return [environment.moreContrast ? 'more' : 'no-preference'];
    case 'prefers-reduced-transparency':
    case 'prefers-reduced-data':
      return ['no-preference'];
    case 'forced-colors':
      return [environment.forcedColours ? 'active' : 'none'];
    case 'inverted-colors':
      return ['none'];
    case 'hover':
    case 'any-hover':
      return [hover];
    case 'pointer':
    case 'any-pointer':
      return [pointer];
    case 'scripting':
      return ['enabled'];
    case 'update':
      return ['fast'];
    case 'overflow-block':
    case 'overflow-inline':
      return ['scroll'];
    case 'display-mode':
      return ['browser'];
    case 'color-gamut':
      return ['srgb'];
    case 'dynamic-range':
    case 'video-dynamic-range':
      return ['standard'];
    case 'scan':
      return [];
    default:
      return undefined;
  }
}

const FALSY_WORDS = new Set(['none', 'no-preference']);

function evaluateFeature(rawName: string, value: CssNode | undefined, environment: Environment): Truth {
  const name = rawName.toLowerCase();
  const bound = /^(-webkit-)?(min|max)-(.+)$/.exec(name);
  if (bound) {
    const plain = (bound[1] ?? '') + bound[3]!;
    const actual = numericFeature(plain, environment);
    const wanted = value && numberFor(plain, value);
    if (actual === undefined || wanted === undefined) return undefined;
    return bound[2] === 'min' ? actual >= wanted : actual <= wanted;
  }
  const numeric = numericFeature(name, environment);
  if (numeric !== undefined) {
    if (!value) return numeric !== 0;
    const wanted = numberFor(name, value);
    return wanted === undefined ? undefined : Math.abs(numeric - wanted) < 1e-6;
  }
  if (value && value.type !== 'Identifier') return undefined;
  return wordHolds(name, value?.name.toLowerCase(), environment);
}

/**
 * Whether a feature whose values are words holds; undefined for one that is not known.
 *
 * @param asked the word that is asked for, in lower case; none where the feature stands alone
 */
export function wordHolds(name: string, asked: string | undefined, environment: Environment): boolean | undefined {
  const words = wordFeature(name, environment);
  return asked === undefined ? words?.some((word) => !FALSY_WORDS.has(word)) : words?.includes(asked);
}

function evaluateRange(node: CssNode & { type: 'FeatureRange' }, environment: Environment): Truth {
  const range = node as unknown as {
    left: CssNode;
    leftComparison: string;
    middle: CssNode;
    rightComparison: string | null;
    right: CssNode | null;
  };
  const side = (item: CssNode): number | undefined =>
    item.type === 'Identifier' ? numericFeature(item.name.toLowerCase(), environment) : numberOf(item);
  const left = side(range.left);
  const middle = side(range.middle);
  if (left === undefined || middle === undefined) return undefined;
  const first = compareBy(range.leftComparison, left, middle);
  if (!range.right || !range.rightComparison) return first;
  const right = side(range.right);
  if (right === undefined) return undefined;
  const second = compareBy(range.rightComparison, middle, right);
  return first === undefined || second === undefined ? undefined : first && second;
}

/** Widths, in CSS pixels, at which some query of the list may change its answer. */
export function widthsIn(list: MediaQueryList): number[] {
  const found: number[] = [];
  const visit = (node: CssNode) => {
    if (node.type === 'Feature' && /^(min-|max-)?(device-)?width$/i.test(node.name) && node.value) {
      const px = numberOf(node.value as CssNode);
      if (px !== undefined) found.push(px);
    } else if (node.type === 'FeatureRange') {
      const { left, middle, right } = node as unknown as { left: CssNode; middle: CssNode; right: CssNode | null };
      for (const item of [left, middle, right]) {
        const px = item && item.type === 'Dimension' ? numberOf(item) : undefined;
        if (px !== undefined) found.push(px);
      }
    } else if (node.type === 'MediaQuery' && node.condition) visit(node.condition as CssNode);
    else children(node).forEach(visit);
  };
  if (list.node) visit(list.node);
  return found;
}
