import type { Applied } from '../css/cascade/applied.js';
import { CSS_WIDE } from '../css/sheet/declaration.js';
import { printShorthand } from '../css/shorthand/print.js';
import type { StateBits } from '../css/selector/states.js';
import type { Plan, PlannedDeclaration, PlannedRule } from './plan.js';
import { stateWords, withStates } from './state-selector.js';

/** Comments may not end early, whatever a name holds. */
export const comment = (text: string) => `/* ${text.replace(/\*\//g, '* /').replace(/\s+/g, ' ').trim()} */`;

const SIDES = ['top', 'right', 'bottom', 'left'];
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'];

/** Longhands that people write as one, each a single word. */
const TOGETHER: readonly (readonly [shorthand: string, longhands: readonly string[]])[] = [
  ...['color', 'width', 'style'].map(
    (what) => [`border-${what}`, SIDES.map((side) => `border-${side}-${what}`)] as const,
  ),
  ['padding', SIDES.map((side) => `padding-${side}`)],
  ['margin', SIDES.map((side) => `margin-${side}`)],
  ['border-radius', CORNERS.map((corner) => `border-${corner}-radius`)],
  ['gap', ['row-gap', 'column-gap']],
];

const isPlain = (value: string) => !/[\s,/]|var\(/.test(value);
/** One term, so that it means the same for one side and for all. */
const isOneTerm = (value: string) => /^([\w-]+\([^]*\)|[^\s,/]+)$/.test(value);

/** Sides alike are written as the shorthand that people know. */
function tidy(declarations: readonly PlannedDeclaration[]): PlannedDeclaration[] {
  let list = [...declarations];
  for (const [shorthand, longhands] of TOGETHER) {
    const own = longhands.map((name) => list.find((item) => item.property === name));
    const [first] = own;
    const all = own.flatMap((item) => item ?? []);
    if (!first || all.length < longhands.length) continue;
    if (all.some((item) => item.important !== first.important || item.from !== first.from)) continue;
    const alike = all.every((item) => item.value === first.value);
    const plain = all.every((item) => isPlain(item.value) && !CSS_WIDE.has(item.value.toLowerCase()));
    if (!alike && !plain) continue;
    // The same value may not stand for all sides at once, as with two radii of a corner.
    if (alike && !isOneTerm(first.value)) continue;
    const value = alike
      ? first.value
      : printShorthand(shorthand, (name) => list.find((item) => item.property === name)!.value);
    if (value === undefined) continue;
    list = list.flatMap((item) =>
      item === first ? [{ ...item, property: shorthand, value }] : longhands.includes(item.property) ? [] : [item],
    );
  }
  return list;
}

const where = (applied: Applied): string => {
  const { place } = applied.declaration;
  return applied.inline ? 'a style attribute' : `${applied.selector?.text ?? ''} (${place.sheet}, line ${place.line})`;
};

function explain(plan: Plan, rule: PlannedRule, named: boolean): string {
  const words = stateWords(rule.states);
  const title = named ? `${plan.part.part.label}, ${words}` : words[0]!.toUpperCase() + words.slice(1);
  const restated = rule.declarations.every((item) => item.from === 'site');
  return restated ? `${title}: as the site has it, said again so that it stays` : title;
}

function printRule(plan: Plan, rule: PlannedRule, named: boolean): string {
  const indent = rule.media ? '  ' : '';
  const lines = tidy(rule.declarations).map((item) => {
    const mixed = rule.declarations.some((other) => other.from !== item.from);
    const note = mixed && item.from === 'site' ? ' /* as the site has it */' : '';
    return `${indent}  ${item.property}: ${item.value}${item.important ? ' !important' : ''};${note}`;
  });
  const selector = withStates(plan.part, rule.selector, rule.states);
  const block = `${indent}${selector} {\n${lines.join('\n')}\n${indent}}`;
  const body = rule.media ? `@media ${rule.media} {\n${block}\n}` : block;
  return `${comment(explain(plan, rule, named))}\n${body}`;
}

/** A selector that counts its way to an element, child by child. */
const BY_PLACE = / > [a-z][\w-]{0,40}:nth-child\(\d{1,6}\)/i;

/** The CSS of plans, with comments that say what each rule does. Ends in a line break; empty for empty plans. */
export function printPlans(plans: readonly Plan[], name: string): string {
  const filled = plans.filter((plan) => plan.rules.length);
  if (!filled.length) return '';
  const important = filled.some((plan) => plan.rules.some((rule) => rule.declarations.some((item) => item.important)));
  const head = [comment(`${name}: put this after the site's other stylesheets.`)];
  for (const plan of filled) {
    if (plan.raisedOver) head.push(comment(`The selector is weighted to win over ${where(plan.raisedOver)}.`));
  }
  const placed = filled.filter((plan) => plan.rules.some((rule) => BY_PLACE.test(rule.selector)));
  if (placed.length) {
    const labels = [...new Set(placed.map(({ part }) => part.part.label))].join(', ');
    head.push(
      comment(
        `${labels}: nothing but the place on the page tells some of these elements from others, so their selectors count (:nth-child). Where the page is changed before them, take this sheet anew.`,
      ),
    );
  }
  if (important) head.push(comment('!important stands only where the site itself uses it or a style attribute.'));
  const rules = filled.flatMap((plan) => plan.rules.map((rule) => printRule(plan, rule, filled.length > 1)));
  return `${[...new Set(head)].join('\n')}\n\n${rules.join('\n\n')}\n`;
}

/** One rule of a plan as short as it goes, with the states that it is about. */
export interface BareRule {
  readonly states: StateBits;
  readonly css: string;
  readonly selector: string;
  /** Empty where it holds everywhere. */
  readonly media: string;
  readonly declarations: readonly PlannedDeclaration[];
}

/** The rules of a plan as short as they go, for preview frames. */
export const bareRules = (plan: Plan): BareRule[] =>
  plan.rules.map((rule) => {
    const lines = rule.declarations.map(
      (item) => `${item.property}:${item.value}${item.important ? '!important' : ''}`,
    );
    const { states, media, declarations } = rule;
    const selector = withStates(plan.part, rule.selector, states);
    const block = `${selector}{${lines.join(';')}}`;
    return { states, css: media ? `@media ${media}{${block}}` : block, selector, media, declarations };
  });

/** The same as one text. */
export const printBare = (plans: readonly Plan[]): string =>
  plans.flatMap((plan) => bareRules(plan).map(({ css }) => css)).join('\n');
