import { textOf, type ElementNode } from '../../tree/tree.js';
import { textDemand, type Kind, type Signs, type Part, type Starter } from '../kind.js';
import { BOX_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import {
  COOKIE,
  count,
  find,
  headingText,
  isCalled,
  isFieldElement,
  isHtml,
  isInside,
  isNav,
  roleOf,
} from '../signs.js';
import { looseFormsOn } from '../loose-forms.js';
import type { StateName } from '../states.js';

const FIELD_STATES: readonly StateName[] = ['default', 'hover', 'focus', 'filled', 'invalid', 'disabled'];
const MARK_STATES: readonly StateName[] = ['default', 'hover', 'focus', 'checked', 'invalid', 'disabled'];
const FIELD_ROWS = [
  'text',
  'background',
  'border',
  'border-width',
  'border-radius',
  'outline',
  'box-shadow',
  'padding',
  'font-size',
  'caret-color',
];
const MARK_ROWS = ['accent-color', 'background', 'border', 'outline', 'border-radius', 'width', 'height'];

const still = (
  name: string,
  label: string,
  find: readonly string[],
  first: readonly string[] = MESSAGE_ROWS,
): Part => ({
  name,
  label,
  find,
  states: ['default'],
  first,
});
const field = (name: string, label: string, find: string): Part => ({
  name,
  label,
  find: [find],
  states: FIELD_STATES,
  first: FIELD_ROWS,
});
const mark = (name: string, label: string, find: readonly string[]): Part => ({
  name,
  label,
  find,
  states: MARK_STATES,
  first: MARK_ROWS,
});

const TEXT_FIELD =
  ':scope :is(input:not([type=checkbox], [type=radio], [type=range], [type=date], [type=submit], [type=button], [type=reset], [type=image], [type=hidden], [type=file], [type=color]), textarea)';

/** The parts of a form, which kinds that hold one share. */
export const FORM_PARTS: readonly Part[] = [
  still('title', 'Title', [':scope :is(h1, h2, h3, h4):not(fieldset *)']),
  still('description', 'Description', [':scope > p', ':scope [class*=intro]', ':scope [class*=description]']),
  still('label', 'Label', [':scope label:not(:has(input))']),
  field('field', 'Field', TEXT_FIELD),
  {
    name: 'placeholder',
    label: 'Placeholder',
    find: [`${TEXT_FIELD}[placeholder]`],
    pseudo: 'placeholder',
    carrier: 'field',
    states: ['default', 'hover', 'focus'],
    first: ['text', 'opacity', 'font-style', 'font-size'],
  },
  still('help', 'Help', [':scope :is([class*=help], [class*=hint])'], MESSAGE_ROWS),
  still('error', 'Error', [':scope :is([class*=error], [role=alert]):not([class*=help])'], MESSAGE_ROWS),
  still(
    'required',
    'Required mark',
    [':scope label :is([class*=required], abbr)'],
    ['text', 'font-weight', 'font-size', 'text-decoration-line'],
  ),
  mark('checkbox', 'Checkbox', [':scope input[type=checkbox]:not([role=switch])']),
  mark('radio', 'Radio', [':scope input[type=radio]']),
  mark('switch', 'Switch', [':scope [role=switch]']),
  still('choice', 'Choice label', [':scope label:has(input)'], MESSAGE_ROWS),
  field('select', 'Select', ':scope select'),
  field('date', 'Date', ':scope input[type=date]'),
  {
    ...field('range', 'Range', ':scope input[type=range]'),
    states: ['default', 'hover', 'focus', 'disabled'],
    first: ['accent-color', 'background', 'height', 'width', 'outline', 'border-radius'],
  },
  still('group', 'Group', [':scope fieldset'], ['border', 'padding', 'margin', 'background', 'border-radius', 'gap']),
  still('group-title', 'Group title', [':scope legend']),
  {
    name: 'submit',
    label: 'Submit button',
    find: [':scope :is(button:not([type=button], [type=reset]), input:is([type=submit], [type=image]))'],
    states: ['default', 'hover', 'focus', 'pressed', 'disabled'],
    first: TARGET_ROWS,
  },
];

export const FORM_DEMANDS = [
  textDemand('title', 'Title on panel'),
  textDemand('description', 'Description on panel'),
  textDemand('label', 'Label on panel'),
  textDemand('field', 'Text in field'),
  textDemand('placeholder', 'Placeholder in field'),
  { name: 'field-edge', label: 'Field edge against panel', part: 'field', criterion: '1.4.11', of: 'edge' },
  textDemand('help', 'Help on panel'),
  textDemand('error', 'Error on panel'),
  textDemand('choice', 'Choice on panel'),
  textDemand('select', 'Text in select'),
  { name: 'select-edge', label: 'Select edge against panel', part: 'select', criterion: '1.4.11', of: 'edge' },
  { name: 'date-edge', label: 'Date edge against panel', part: 'date', criterion: '1.4.11', of: 'edge' },
  textDemand('group-title', 'Group title on panel'),
  textDemand('submit', 'Submit on background'),
] as const;

export const FORM: Kind = {
  name: 'form',
  label: 'Form',
  plural: 'forms',
  claims: true,
  mayHold: ['announcement', 'tabs', 'accordion', 'progress'],
  parts: [
    still('panel', 'Panel', [':scope'], ['text', ...BOX_ROWS, 'backdrop-filter', 'opacity', 'gap']),
    ...FORM_PARTS,
  ],
  demands: FORM_DEMANDS,
};

export const FORM_STARTER: Starter = {
  html: '<form class="rq-form"><label for="rq-name">Name</label><input id="rq-name" name="name" placeholder="Your name"><button>Send</button></form>',
  css: '.rq-form { display: grid; gap: .6em; padding: 1.5em; border: 1px solid #b9c3c6; border-radius: 10px; background: #fff; color: #14262c }\n.rq-form input { font: inherit; padding: .6em .8em; border: 1px solid #5d7278; border-radius: 6px }\n.rq-form input::placeholder { color: #5d7278 }\n.rq-form input:focus-visible { outline: 3px solid #1f4e5f; outline-offset: 1px }\n.rq-form input:user-invalid { border-color: #a3271b }\n.rq-form button { padding: .7em 1.4em; border: 0; border-radius: 6px; background: #1f4e5f; color: #fff }',
};

export const FORM_SIGNS: Signs = {
  kind: FORM,
  recognise(element, page) {
    if (!isHtml(element, 'form') && roleOf(element) !== 'form') return looseFormsOn(page).has(element) ? 0.8 : 0;
    if (isInside(element, (node) => isHtml(node, 'dialog') || roleOf(node) === 'dialog' || isCalled(node, COOKIE)))
      return 0;
    // In the head of a page, beside its menu, is a search.
    if (isInside(element, (node) => isNav(node) || (isHtml(node, 'header') && find(node, isNav) !== undefined)))
      return 0;
    if (isCalled(element, COOKIE) || roleOf(element) === 'search') return 0;
    return count(element, isFieldElement) > 0 ? 0.9 : 0;
  },
  named: (root) => headingText(root) ?? precedingHeading(root),
};

/** The heading that stands before an element in the same section. */
function precedingHeading(root: ElementNode): string | undefined {
  for (let node: ElementNode | undefined = root; node?.parent; node = node.parent) {
    const before = node.parent.children.slice(0, node.siblingIndex).reverse();
    for (const sibling of before) if (/^h[1-6]$/.test(sibling.name)) return textOf(sibling);
    if (isHtml(node.parent, 'section', 'main', 'body')) return undefined;
  }
  return undefined;
}
