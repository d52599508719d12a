import type { ElementNode } from '../../../tree/tree.js';
import type { Applied } from '../applied.js';
import { expandDeclaration } from '../../sheet/declaration.js';
import { PROPERTIES } from '../../property/table.js';
import { NO_SPECIFICITY } from '../../selector/specificity.js';
import { htmlHints, type Hints } from './html.js';

/** Attributes of SVG elements that are CSS properties (SVG 2, section 6.6). */
const SVG_ATTRIBUTES = new Set(
  `clip-path clip-rule color cursor direction display dominant-baseline fill fill-opacity fill-rule filter flood-color
   flood-opacity font-family font-size font-size-adjust font-stretch font-style font-variant font-weight image-rendering
   letter-spacing lighting-color mask opacity overflow paint-order pointer-events shape-rendering stop-color stop-opacity
   stroke stroke-dasharray stroke-dashoffset stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity stroke-width
   text-anchor text-decoration text-rendering transform-origin unicode-bidi vector-effect visibility word-spacing
   writing-mode`.split(/\s+/),
);
const UNITLESS = new Set(['font-size', 'letter-spacing', 'word-spacing', 'stroke-width', 'stroke-dashoffset']);
const NUMBER = /^[+-]?(\d+(?:\.\d*)?|\.\d+)$/;

function svgHints(element: ElementNode): Hints {
  const hints: Hints = {};
  for (const [name, value] of element.attributes) {
    if (SVG_ATTRIBUTES.has(name))
      hints[name] = UNITLESS.has(name) && NUMBER.test(value.trim()) ? `${value.trim()}px` : value;
  }
  if (element.name === 'svg') {
    for (const name of ['width', 'height']) {
      const value = element.attributes.get(name)?.trim();
      if (value) hints[name] = NUMBER.test(value) ? `${value}px` : value;
    }
  }
  return hints;
}

const cache = new WeakMap<ElementNode, readonly Applied[]>();
const NONE: readonly Applied[] = [];

/** Declarations that an element's attributes stand for; below all rules of the author's own. */
export function hintDeclarations(element: ElementNode): readonly Applied[] {
  // A copy of an element whose attributes are the same shares its declarations.
  const { stagedFrom } = element;
  const own = stagedFrom && stagedFrom.attributes === element.attributes ? stagedFrom : element;
  let applied = cache.get(own);
  if (!applied) cache.set(own, (applied = read(own)));
  return applied;
}

function read(element: ElementNode): readonly Applied[] {
  if (!element.attributes.size) {
    // A cell's padding and edge come from its table's attributes.
    if (!['td', 'th', 'a', 'bdi'].includes(element.name)) return NONE;
  }
  const hints =
    element.namespace === 'svg' ? svgHints(element) : element.namespace === 'html' ? htmlHints(element) : {};
  const place = { sheet: 'attributes', line: 1, column: 1 };
  const declarations = Object.entries(hints).flatMap(([name, value]) => {
    const found = expandDeclaration(name, value, false, place);
    // What the grammar does not know but browsers set by themselves is kept as it is.
    return found.length || !PROPERTIES.has(name) || element.namespace === 'svg'
      ? found
      : [{ property: name, value, important: false, place }];
  });
  return declarations.map((declaration, index) => ({
    declaration: { ...declaration, index },
    origin: 'author' as const,
    inline: false,
    hint: true,
    layer: -1,
    specificity: NO_SPECIFICITY,
    proximity: Infinity,
    order: -1,
    rule: undefined,
    selector: undefined,
  }));
}
