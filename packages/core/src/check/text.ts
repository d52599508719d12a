import { contrastRatio } from '../colour/contrast.js';
import type { Rgba } from '../colour/rgba.js';
import { isDisabled, isField } from '../css/selector/form-state.js';
import { DISABLED } from '../css/selector/states.js';
import type { StyledPage } from '../css/styles.js';
import { ancestors, descendants, hasOwnText, selfAndAncestors, type ElementNode } from '../page/tree.js';
import { backdropOf, paint, type Layer } from './backdrop.js';
import type { Check, Level } from './check.js';

/** WCAG 2.2, 1.4.3 level AA. */
export const NEEDED_NORMAL = 4.5;
export const NEEDED_LARGE = 3;
/** WCAG 2.2, 1.4.6 level AAA. */
export const ENHANCED_NORMAL = 7;
export const ENHANCED_LARGE = 4.5;

/** WCAG 2.2, large scale: at least 18 point, or 14 point bold; one point is 4/3 px. */
export const isLarge = (fontSizePx: number, weight: number): boolean =>
  fontSizePx >= 24 || (fontSizePx >= 14 * (4 / 3) - 1e-6 && weight >= 700);

const neededFor = (large: boolean, level: Level) =>
  level === 'AAA' ? (large ? ENHANCED_LARGE : ENHANCED_NORMAL) : large ? NEEDED_LARGE : NEEDED_NORMAL;

const FIELD_TEXT = new Set(['submit', 'button', 'reset']);

/** Elements within a component that paint text: itself, and descendants with text of their own. */
export function textCarriers(element: ElementNode): ElementNode[] {
  const carriers = [element, ...descendants(element)].filter(hasOwnText);
  const paintsValue =
    element.name === 'input' &&
    FIELD_TEXT.has((element.attributes.get('type') ?? '').toLowerCase()) &&
    element.attributes.get('value') !== '';
  return paintsValue ? [element] : carriers;
}

/** Elements that paint the text of a part: a field its own, which somebody types or chooses. */
export const partCarriers = (element: ElementNode): ElementNode[] =>
  isField(element) ? [element] : textCarriers(element);

/** Why an element's text is not shown; undefined when it is. */
export function hiddenBy(page: StyledPage, element: ElementNode): string | undefined {
  if (page.of(element).text('visibility') !== 'visible') return 'It is hidden in this state.';
  for (const node of selfAndAncestors(element)) {
    const style = page.of(node);
    if (style.text('display') === 'none') return 'It is not shown in this state.';
    if (Number.parseFloat(style.text('opacity')) === 0) return 'It is fully transparent in this state.';
  }
  return undefined;
}

export interface TextCase {
  readonly carrier: ElementNode;
  readonly colour: Rgba;
  readonly layers: readonly Layer[];
  readonly doubt: string | undefined;
  readonly large: boolean;
}

/** A pseudo-element's own opacity fades its text over what its element paints. */
const fadedBy = (colour: Rgba, opacity: string): Rgba => {
  const share = Number.parseFloat(opacity);
  return Number.isFinite(share) && share < 1 ? { ...colour, alpha: colour.alpha * Math.max(0, share) } : colour;
};

/** What a text is painted with and on, ready to be measured or tried with other colours. */
export function textCase(page: StyledPage, carrier: ElementNode, pseudo?: string): TextCase {
  const style = page.of(carrier, pseudo);
  const { layers, doubt } = backdropOf(page, carrier);
  return {
    carrier,
    // Where it is set, the fill paints the text and not `color`.
    colour: fadedBy(style.colour('-webkit-text-fill-color'), pseudo === undefined ? '1' : style.text('opacity')),
    layers,
    doubt,
    large: isLarge(style.fontSize, style.fontWeight),
  };
}

/** Contrast of text with what lies behind it; both are painted through every faded group around them. */
export function ratioOf(text: Pick<TextCase, 'colour' | 'layers'>): {
  ratio: number;
  foreground: Rgba;
  background: Rgba;
} {
  const foreground = paint(text.layers, text.colour);
  const background = paint(text.layers);
  return { ratio: contrastRatio(foreground, background), foreground, background };
}

const blank = { measured: undefined, foreground: undefined, background: undefined, basis: 'ancestors' as const };

/** Measures one text by WCAG 2.2: 1.4.3 at level AA, 1.4.6 at level AAA. */
export function checkText(page: StyledPage, carrier: ElementNode, level: Level = 'AA', pseudo?: string): Check {
  const hidden = hiddenBy(page, carrier);
  const text = textCase(page, carrier, pseudo);
  const needed = neededFor(text.large, level);
  const common = { criterion: level === 'AAA' ? ('1.4.6' as const) : ('1.4.3' as const), needed, large: text.large };
  if (hidden) return { ...common, ...blank, verdict: 'exempt', reason: hidden };
  const control = [carrier, ...ancestors(carrier)].find(
    (node) => isDisabled(node) || isForcedDisabled(page, node) || node.attributes.get('aria-disabled') === 'true',
  );
  if (control) return { ...common, ...blank, verdict: 'exempt', reason: 'Disabled controls are exempt.' };
  if (text.doubt) return { ...common, ...blank, verdict: 'unsure', reason: text.doubt };
  const { ratio, foreground, background } = ratioOf(text);
  return {
    ...common,
    verdict: ratio >= needed ? 'passes' : 'short',
    measured: ratio,
    foreground,
    background,
    reason: undefined,
    basis: 'ancestors',
  };
}

const isForcedDisabled = (page: StyledPage, element: ElementNode): boolean =>
  ((page.forced.bits.get(element) ?? 0) & DISABLED) !== 0;

const SEVERITY = { short: 3, unsure: 2, passes: 1, exempt: 0 } as const;

/** The check that decides for several: short before unsure before passing, and then the lowest margin. */
export function worstOf(checks: readonly Check[]): Check | undefined {
  const margin = (check: Check) => (check.measured ?? Infinity) / check.needed;
  return checks.reduce<Check | undefined>((worst, check) => {
    if (!worst) return check;
    const difference = SEVERITY[check.verdict] - SEVERITY[worst.verdict];
    return difference > 0 || (difference === 0 && margin(check) < margin(worst)) ? check : worst;
  }, undefined);
}
