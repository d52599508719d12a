import { toCssRgb } from '../colour/print.js';
import { isField, isLink } from '../css/selector/form-state.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { listMarkOf } from '../check/list-mark.js';
import { hasOwnText, type ElementNode } from '../tree/tree.js';
import { textDemand, type Demand, type Kind, type Part } from './kind.js';
import { BOX_ROWS, ICON_ROWS, MESSAGE_ROWS, TARGET_ROWS } from './rows.js';
import { isButtonElement, isHeading, isHtml } from './signs.js';
import { paints } from './shape.js';
import { POINTED, type StateName } from './states.js';

const FIELD_STATES: readonly StateName[] = ['default', 'hover', 'focus', 'filled', 'invalid', 'disabled'];
const STILL_ROWS = ['background', 'background-image', 'border', 'width', 'height', 'opacity', 'margin'] as const;

type Holds = NonNullable<Part['holds']>;

const part = (
  name: string,
  label: string,
  holds: Holds,
  first: readonly string[],
  more: Partial<Part> = {},
): Part & { readonly holds: Holds } => ({
  name: `further-${name}`,
  label,
  find: [],
  states: ['default'],
  first,
  holds,
  ...more,
});

const headingLevel = (element: ElementNode): number =>
  isHtml(element) && /^h[1-6]$/.test(element.name)
    ? Number(element.name[1])
    : Number(element.attributes.get('aria-level') ?? 2);

const MEDIA = ['img', 'video', 'canvas', 'picture', 'object'];

const isBlank = (element: ElementNode): boolean =>
  element.namespace === 'html' && !element.children.length && !hasOwnText(element);

/** True for words within a text that have a ground, an edge or a colour of their own: what is set for the text leaves them. */
function standsOut(element: ElementNode, page: StyledPage): boolean {
  if (!isHtml(element) || !hasOwnText(element) || !element.parent) return false;
  const style = page.of(element);
  const [own, around] = [style, page.of(element.parent)].map((of) => toCssRgb(of.colour('color')));
  return own !== around || paints(style);
}

/** A disclosure has its mark as a part of its own kind. */
const isListMark: Holds = (element, page) => !isHtml(element, 'summary') && listMarkOf(page, element) !== undefined;

const generates =
  (pseudo: 'before' | 'after'): Holds =>
  (element, page) => {
    if (element.namespace !== 'html') return false;
    const style = page.of(element, pseudo);
    const content = style.text('content');
    if (content === 'none' || content === 'normal' || style.text('display') === 'none') return false;
    return content !== '""' || paints(style);
  };

/**
 * Parts that every kind has beside its own: whatever else stands in the component, told by what it is. So nothing in a
 * component is without a part. An element is of the first that holds it.
 */
export const FURTHER_PARTS: readonly (Part & { readonly holds: Holds })[] = [
  part('link', 'Other link', (element) => isLink(element) && isHtml(element, 'a', 'area'), TARGET_ROWS, {
    states: POINTED,
  }),
  part('button', 'Other button', (element) => isButtonElement(element) || isHtml(element, 'summary'), TARGET_ROWS, {
    states: [...POINTED, 'disabled'],
  }),
  part('field', 'Other field', isField, ['text', ...BOX_ROWS, 'outline', 'font-size'], { states: FIELD_STATES }),
  ...[1, 2, 3, 4, 5, 6].map((level) =>
    part(
      `heading-${level}`,
      `Heading, level ${level}`,
      (element) => isHeading(element) && headingLevel(element) === level,
      MESSAGE_ROWS,
    ),
  ),
  part('text', 'Other text', hasOwnText, MESSAGE_ROWS),
  part('marked', 'Marked text', standsOut, ['text', ...BOX_ROWS, 'font-weight']),
  part('picture', 'Other picture', (element) => isHtml(element, ...MEDIA), [
    'opacity',
    'filter',
    'border-radius',
    'width',
    'height',
  ]),
  part('icon', 'Other icon', (element) => element.namespace === 'svg' && element.name === 'svg', ICON_ROWS),
  part(
    'line',
    'Other line',
    (element, page) => isHtml(element, 'hr') || (isBlank(element) && paints(page.of(element))),
    STILL_ROWS,
  ),
  part(
    'box',
    'Other box',
    (element, page) => element.namespace === 'html' && element.children.length > 0 && paints(page.of(element)),
    BOX_ROWS,
  ),
  part('before', 'Mark before', generates('before'), ['content', 'text', ...STILL_ROWS], { pseudo: 'before' }),
  part('marker', 'List mark', isListMark, ['text', 'content', 'font-size', 'font-weight'], { pseudo: 'marker' }),
  part('after', 'Mark after', generates('after'), ['content', 'text', ...STILL_ROWS], { pseudo: 'after' }),
];

const TEXTS = ['link', 'button', 'field', ...[1, 2, 3, 4, 5, 6].map((level) => `heading-${level}`), 'text'];
const OF_TEXT: ReadonlySet<string> = new Set(TEXTS.map((name) => `further-${name}`));
const CONTROLS: ReadonlySet<string> = new Set(['link', 'button', 'field'].map((name) => `further-${name}`));
const labelOf = (name: string): string => FURTHER_PARTS.find((own) => own.name === name)!.label;

const FURTHER_DEMANDS: readonly Demand[] = [
  ...[...TEXTS, 'marked', 'before', 'after', 'marker'].map((name) =>
    textDemand(`further-${name}`, `${labelOf(`further-${name}`)} on what lies behind`),
  ),
  { name: 'further-field-edge', label: 'Edge of the field', part: 'further-field', criterion: '1.4.11', of: 'edge' },
  { name: 'further-icon', label: 'Icon on what lies behind', part: 'further-icon', criterion: '1.4.11', of: 'icon' },
];

/** True for a part that every kind has. */
export const isFurther = ({ holds }: Part): boolean => holds !== undefined;

/** Demands about texts that the elements of a component's own parts say themselves, where nothing else asks of them. */
export const ownTextDemands = (
  kind: Kind,
  parts: readonly { readonly part: Part; readonly elements: readonly ElementNode[] }[],
): Demand[] =>
  parts.flatMap(({ part: { name, label, pseudo }, elements }) =>
    pseudo === undefined &&
    elements.some(hasOwnText) &&
    !kind.demands.some((demand) => demand.part === name && demand.criterion === '1.4.3')
      ? [{ ...textDemand(name, `Own text: ${label.toLowerCase()}`), name: `${name}-own-text`, own: true }]
      : [],
  );

/**
 * A kind with the parts that every kind has.
 *
 * @param isAlone true where the kind has hardly any of its own, so that nothing is further to another
 */
export function withFurther(kind: Kind, isAlone = false): Kind {
  const called = (own: Part) => (isAlone ? { ...own, label: plainLabel(own.label) } : own);
  return {
    ...kind,
    parts: [...kind.parts, ...FURTHER_PARTS.map(called)],
    demands: [...kind.demands, ...FURTHER_DEMANDS],
  };
}

const plainLabel = (label: string): string => {
  const plain = label.replace(/^Other /, '');
  return plain[0]!.toUpperCase() + plain.slice(1);
};

/** What nobody sees as a part of a component by itself. */
const NEVER = new Set([
  'script',
  'style',
  'template',
  'noscript',
  'option',
  'optgroup',
  'datalist',
  'br',
  'wbr',
  'source',
  'track',
  'param',
  'title',
  'head',
]);

export const canBePart = (element: ElementNode): boolean =>
  !NEVER.has(element.name) && (element.namespace === 'html' || element.name === 'svg');

/**
 * The elements of each further part.
 *
 * @param inside elements that the component holds, in the order of the document
 * @param taken elements of its own parts; what they show by themselves is theirs
 * @param covered elements whose text is measured with such a part
 * @param marks elements whose pseudo-elements are parts of their own, by the name of the pseudo-element
 */
export function furtherElements(
  page: StyledPage,
  inside: readonly ElementNode[],
  taken: ReadonlySet<ElementNode>,
  covered: ReadonlySet<ElementNode>,
  marks: ReadonlyMap<string, ReadonlySet<ElementNode>>,
): Map<string, ElementNode[]> {
  const found = new Map<string, ElementNode[]>();
  /** What is of one, and what its text stands for. */
  const own = new Set(taken);
  const within = new Set(covered);
  const add = (name: string, element: ElementNode) => {
    const known = found.get(name);
    if (known) known.push(element);
    else found.set(name, [element]);
  };
  for (const element of inside) {
    const around = element.parent && within.has(element.parent);
    if (around) within.add(element);
    if (!canBePart(element)) continue;
    for (const further of FURTHER_PARTS) {
      if (further.pseudo !== undefined) {
        if (!marks.get(further.pseudo)?.has(element) && further.holds(element, page)) add(further.name, element);
        continue;
      }
      if (own.has(element)) continue;
      const isText = OF_TEXT.has(further.name);
      // Words in a link, a heading or a text belong to that.
      if (isText && around && !CONTROLS.has(further.name)) continue;
      if (!further.holds(element, page)) continue;
      own.add(element);
      if (isText) within.add(element);
      add(further.name, element);
    }
  }
  return found;
}
