import { clone, lexer, type CssNode, type List, type Value } from 'css-tree';
import { isSystemColour } from '../../colour/system.js';
import { evaluate, MATHS } from '../values/calc.js';
import { ValueContext, type ValueSource } from '../values/context.js';
import { computeColour, isColourFunction } from '../values/colour.js';
import { generate } from 'css-tree';
import { DESKTOP } from '../conditions/environment.js';
import { PROPERTIES } from '../property/table.js';
import { lookup } from '../../base/lookup.js';

/** Words and functions with a vendor's prefix that Chromium still reads. */
const PREFIXED_WORDS = new Set(
  `-webkit-box -webkit-inline-box -webkit-flex -webkit-inline-flex -webkit-fill-available -webkit-max-content
   -webkit-min-content -webkit-fit-content -webkit-auto -webkit-left -webkit-right -webkit-center -webkit-match-parent
   -webkit-body -webkit-link -webkit-activelink -webkit-focus-ring-color -webkit-text -webkit-grab -webkit-grabbing
   -webkit-zoom-in -webkit-zoom-out -webkit-optimize-contrast -webkit-isolate -webkit-isolate-override
   -webkit-plaintext -webkit-nowrap -webkit-baseline-middle -webkit-small-control -webkit-mini-control
   -webkit-control -internal-center`.split(/\s+/),
);
const PREFIXED_FUNCTIONS = new Set(
  `-webkit-linear-gradient -webkit-radial-gradient -webkit-repeating-linear-gradient -webkit-repeating-radial-gradient
   -webkit-gradient -webkit-image-set -webkit-calc -webkit-cross-fade`.split(/\s+/),
);
/** Functions that no current browser reads, though the grammar's data list them. */
const DEAD_FUNCTIONS = /^(alpha|chroma|dropshadow|gradient|progid.*|expression|-ms-.*|-moz-.*|-o-.*)$/i;
const VENDOR = /^-(webkit|moz|ms|o|khtml|apple|internal)-/i;

/** Families are names, so a prefix means nothing in them. */
const NAMES_FREE = new Set(['font-family', 'transition-property', 'will-change', 'container-name', 'animation-name']);

const NOWHERE: ValueSource = {
  environment: DESKTOP,
  em: 16,
  rem: 16,
  lh: 16,
  rlh: 16,
  metrics: undefined,
  container: DESKTOP,
  rootMetrics: undefined,
  currentColour: 'rgb(0, 0, 0)',
  scheme: 'light',
  base: undefined,
  attribute: () => undefined,
  unresolved: () => undefined,
};

const listOf = (node: CssNode): List<CssNode> | null =>
  'children' in node && node.children ? (node.children as List<CssNode>) : null;

/** Puts plain stand-ins for colour functions, whose newest forms the grammar's data do not know. */
function plainer(value: Value): Value | undefined {
  let changed = false;
  let valid = true;
  const visit = (node: CssNode): CssNode => {
    if (isColourFunction(node)) {
      if (computeColour(node, new ValueContext(NOWHERE)) === undefined) valid = false;
      changed = true;
      return { type: 'Identifier', name: 'red' };
    }
    if (node.type === 'Identifier' && isSystemColour(node.name.toLowerCase())) {
      changed = true;
      return { type: 'Identifier', name: 'red' };
    }
    const children = listOf(node);
    if (children) children.forEach((child, item) => void (item.data = visit(child)));
    return node;
  };
  if (!hasColourFunction(value)) return value;
  const copy = visit(clone(value)) as Value;
  if (!valid) return undefined;
  return changed ? copy : value;
}

const hasColourFunction = (node: CssNode): boolean =>
  isColourFunction(node) ||
  (node.type === 'Identifier' && isSystemColour(node.name.toLowerCase())) ||
  (listOf(node)?.some(hasColourFunction) ?? false);

/** `\9` and its like at the end of a value, which only long-gone browsers read. */
const HACK = /\\[09]\s*$/;

function usesOnlyLiving(property: string, node: CssNode): boolean {
  if (node.type === 'Identifier' && HACK.test(node.name)) return false;
  if (node.type === 'Dimension' && HACK.test(node.unit)) return false;
  if (node.type === 'Identifier' && VENDOR.test(node.name) && !NAMES_FREE.has(property))
    return PREFIXED_WORDS.has(node.name.toLowerCase());
  // Channels of a colour may be named in its calculations; the colour is read as a whole.
  if (isColourFunction(node)) return true;
  if (node.type === 'Function') {
    const name = node.name.toLowerCase();
    if (DEAD_FUNCTIONS.test(name)) return false;
    if (VENDOR.test(name) && !PREFIXED_FUNCTIONS.has(name)) return false;
    // A calculation that mixes what cannot be mixed is no value.
    if (MATHS.has(name) && !hasReference(node) && !evaluate(node, new ValueContext(NOWHERE))) return false;
  }
  const children = listOf(node);
  return !children || !children.some((child) => !usesOnlyLiving(property, child));
}

/** Functions inside a calculation that only layout or other elements answer. */
const hasReference = (node: CssNode): boolean =>
  (node.type === 'Function' &&
    /^(attr|env|var|anchor|anchor-size|sibling-index|sibling-count|if|inherit)$/i.test(node.name)) ||
  (listOf(node)?.some(hasReference) ?? false);

const SIZES = /^(stretch|-webkit-fill-available|intrinsic|min-intrinsic|-webkit-(min|max|fit)-content)$/i;

/** Values that Chromium takes and the grammar's data lack, or the other way round. */
const EXTRA: Readonly<Record<string, RegExp>> = lookup({
  'text-align': /^(match-parent|-webkit-(auto|left|right|center|match-parent)|-internal-center)$/i,
  display: /^(-webkit-(inline-)?(box|flex)|math|block math|grid-lanes|inline-grid-lanes)$/i,
  appearance: /^(none|auto|base|base-select|[a-z-]+)$/i,
  width: SIZES,
  height: SIZES,
  'min-width': SIZES,
  'min-height': SIZES,
  'max-width': SIZES,
  'max-height': SIZES,
  'flex-basis': SIZES,
  cursor: /^-webkit-(grab|grabbing|zoom-in|zoom-out)$/i,
  'unicode-bidi': /^-webkit-(isolate|isolate-override|plaintext)$/i,
  'word-break': /^(auto-phrase|break-word)$/i,
  'white-space-collapse': /^(collapse|preserve|preserve-breaks|preserve-spaces|break-spaces)$/i,
  'text-wrap-style': /^(auto|balance|pretty|stable)$/i,
  'text-wrap-mode': /^(wrap|nowrap)$/i,
  'font-size': /^(-webkit-xxx-large|math)$/i,
  'scrollbar-gutter': /^(auto|stable|both-edges| )+$/i,
  'image-rendering': /^-webkit-optimize-contrast$/i,
  'container-type': /^(normal|size|inline-size|scroll-state| )+$/i,
  'overflow-x': /^(overlay)$/i,
  'overflow-y': /^(overlay)$/i,
  'outline-style': /^auto$/i,
  'text-underline-position': /^(auto|from-font|under|left|right| )+$/i,
  'caret-color': /^auto$/i,
  'user-select': /^(auto|text|none|all|contain)$/i,
  'background-clip': /^(border-box|padding-box|content-box|text|border-area|[, ])+$/i,
  'mix-blend-mode': /^plus-(lighter|darker)$/i,
});

const REFUSED: Readonly<Record<string, RegExp>> = lookup({
  position: /-webkit-sticky/i,
  cursor: /^hand$/i,
  display: /^(run-in|ruby-text-container|ruby-base|ruby-base-container|.*-ms-.*|.*-moz-.*)$/i,
  'text-transform': /full-(width|size-kana)/i,
  'overflow-x': /^-/,
  'overflow-y': /^-/,
  'user-select': /^(-|element)/i,
  'text-decoration-line': /blink$/i,
  'white-space-collapse': /discard|preserve-spaces/i,
  appearance: /^-/,
});

const NEGATIVE_REFUSED =
  /^(padding|border-.*-width|width|height|min-|max-|flex-(grow|shrink|basis)|font-size|line-height|border-.*-radius|outline-width|row-gap|column-gap|transition-duration|tab-size|background-size|stroke-width|perspective$)/;

function hasNegative(value: Value): boolean {
  return value.children.some(
    (node) =>
      (node.type === 'Number' || node.type === 'Percentage' || node.type === 'Dimension') && Number(node.value) < 0,
  );
}

/** Answers by property; parsed values are shared, so the same text is the same object. */
const answers = new Map<string, WeakMap<Value, boolean>>();

/** True when Chromium's grammar of the property takes the value; properties that are not known take anything. */
export function isValidValue(property: string, value: Value): boolean {
  let known = answers.get(property);
  if (!known) answers.set(property, (known = new WeakMap()));
  let answer = known.get(value);
  if (answer === undefined) known.set(value, (answer = judge(property, value)));
  return answer;
}

const LENGTH_UNIT = /^(px|r?em|vw|vh|pt)$/i;
const PLAIN_LENGTHS =
  /^(margin-|padding-|(min-|max-)?(width|height)$|border-.*-(width|radius)$|outline-width$|font-size$|(row|column)-gap$|letter-spacing$|top$|right$|bottom$|left$)/;
const TAKES_NEGATIVE = /^(margin-|letter-spacing$|top$|right$|bottom$|left$)/;

/** The commonest values, which need no grammar: a colour in hex digits, a length in a common unit. */
function isPlainlyValid(property: string, value: Value): boolean {
  const node = value.children.size === 1 ? value.children.first : undefined;
  if (node?.type === 'Hash') {
    return PROPERTIES.get(property)?.isColour === true && /^([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(node.value);
  }
  if (node && isColourFunction(node) && PROPERTIES.get(property)?.isColour) {
    return computeColour(node, new ValueContext(NOWHERE)) !== undefined;
  }
  if (node?.type !== 'Dimension' || !LENGTH_UNIT.test(node.unit) || !PLAIN_LENGTHS.test(property)) return false;
  return Number(node.value) >= 0 || TAKES_NEGATIVE.test(property);
}

function judge(property: string, value: Value): boolean {
  if (isPlainlyValid(property, value)) return true;
  const text = generate(value);
  if (REFUSED[property]?.test(text)) return false;
  if (EXTRA[property]?.test(text)) return true;
  if (!usesOnlyLiving(property, value)) return false;
  if (NEGATIVE_REFUSED.test(property) && hasNegative(value)) return false;
  const plain = plainer(value);
  if (!plain) return false;
  const result = lexer.matchProperty(property, plain);
  return !result.error || !/mismatch/i.test(result.error.message);
}
