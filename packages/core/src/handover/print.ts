import type { Applied } from '../css/applied.js';
import type { Plan, PlannedDeclaration, PlannedRule } from './plan.js';
import { stateWords, withStates } from './state-selector.js';

/** Comments may not end early, whatever a name holds. */
const comment = (text: string) => `/* ${text.replace(/\*\//g, '* /').replace(/\s+/g, ' ').trim()} */`;

const BORDER = ['top', 'right', 'bottom', 'left'].map((side) => `border-${side}-color`);

/** Four sides alike are written as the shorthand that people know. */
function tidy(declarations: readonly PlannedDeclaration[]): PlannedDeclaration[] {
  const sides = BORDER.map((name) => declarations.find((item) => item.property === name));
  const [first] = sides;
  const alike = sides.every(
    (side) =>
      side && first && side.value === first.value && side.important === first.important && side.from === first.from,
  );
  if (!first || !alike) return [...declarations];
  return declarations.flatMap((item) =>
    item === first ? [{ ...item, property: 'border-color' }] : BORDER.includes(item.property) ? [] : [item],
  );
}

const where = (applied: Applied): string => {
  const { place } = applied.declaration;
  return applied.inline ? 'a style attribute' : `${applied.selector?.text ?? ''} (${place.sheet}, line ${place.line})`;
};

function explain(rule: PlannedRule): string {
  const words = stateWords(rule.states);
  const title = words[0]!.toUpperCase() + words.slice(1);
  const restated = rule.declarations.every((item) => item.from === 'site');
  return restated ? `${title}: as the site has it, said again so that it stays` : title;
}

function printRule(rule: PlannedRule): string {
  const indent = rule.media ? '  ' : '';
  const lines = tidy(rule.declarations).map((item) => {
    const mixed = rule.declarations.some((other) => other.from !== item.from);
    const note = mixed && item.from === 'site' ? ' /* as the site has it */' : '';
    return `${indent}  ${item.property}: ${item.value}${item.important ? ' !important' : ''};${note}`;
  });
  const block = `${indent}${withStates(rule.selector, rule.states)} {\n${lines.join('\n')}\n${indent}}`;
  const body = rule.media ? `@media ${rule.media} {\n${block}\n}` : block;
  return `${comment(explain(rule))}\n${body}`;
}

/** The CSS of a plan, with comments that say what each rule does. Ends in a line break; empty for an empty plan. */
export function printPlan(plan: Plan, name: string): string {
  if (!plan.rules.length) return '';
  const important = plan.rules.some((rule) => rule.declarations.some((item) => item.important));
  const head = [comment(`${name}: put this after the site's other stylesheets.`)];
  if (plan.raisedOver) head.push(comment(`The selector is weighted to win over ${where(plan.raisedOver)}.`));
  if (important) head.push(comment('!important stands only where the site itself uses it or a style attribute.'));
  return `${head.join('\n')}\n\n${plan.rules.map(printRule).join('\n\n')}\n`;
}
