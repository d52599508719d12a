import { APPEARING } from '../behaviours/appear.js';
import { textDemand, type Kind, type Signs } from '../kind.js';
import { BOX_ROWS, MESSAGE_ROWS, TARGET_ROWS } from '../rows.js';
import type { ElementNode } from '../../tree/tree.js';
import { hiddenBy } from '../../check/hidden.js';
import { COOKIE, find, isButtonElement, isCalled, isHtml, isNav, roleOf } from '../signs.js';
import { coversWindow, isCloser, textLength } from '../shape.js';
import { POINTED } from '../states.js';
import { FORM_DEMANDS, FORM_PARTS } from './form.js';

const INSIDE_FORM = new Set([
  'label',
  'field',
  'placeholder',
  'help',
  'error',
  'checkbox',
  'radio',
  'select',
  'date',
  'choice',
  'submit',
]);
const isLeft = (node: ElementNode): boolean => isButtonElement(node) || isCloser(node);

const CLOSE = 'button:is([class*=close], [aria-label*=lose], [value=close], [value=cancel])';

export const DIALOG: Kind = {
  name: 'dialog',
  label: 'Dialog',
  plural: 'dialogs',
  anywhere: true,
  claims: true,
  behaviours: [APPEARING],
  parts: [
    {
      name: 'panel',
      label: 'Panel',
      find: [':scope'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'width', 'max-width'],
    },
    {
      name: 'scrim',
      label: 'Scrim',
      find: [':scope:is(dialog)'],
      pseudo: 'backdrop',
      states: ['default'],
      first: ['background', 'background-image', 'opacity', 'backdrop-filter'],
    },
    { name: 'title', label: 'Title', find: [':scope :is(h1, h2, h3)'], states: ['default'], first: MESSAGE_ROWS },
    {
      name: 'body',
      label: 'Body',
      find: [':scope [class*=body]', ':scope p:not([class*=help], [class*=error])'],
      states: ['default'],
      first: MESSAGE_ROWS,
    },
    { name: 'close', label: 'Close', find: [`:scope ${CLOSE}`], states: POINTED, first: TARGET_ROWS },
    ...FORM_PARTS.filter((part) => INSIDE_FORM.has(part.name)).map((part) =>
      part.name === 'submit'
        ? {
            ...part,
            find: [
              `:scope button:not([type=button], [class*=close], [aria-label*=lose], [value=close], [value=cancel])`,
            ],
          }
        : part,
    ),
  ],
  demands: [
    textDemand('title', 'Title on panel'),
    textDemand('body', 'Text on panel'),
    { name: 'close', label: 'Close against panel', part: 'close', criterion: '1.4.11', of: 'icon' },
    ...FORM_DEMANDS.filter((demand) => INSIDE_FORM.has(demand.part)),
  ],
};

export const DIALOG_SIGNS: Signs = {
  kind: DIALOG,
  recognise(element, page) {
    if (isCalled(element, COOKIE)) return 0;
    if (isHtml(element, 'dialog') || ['dialog', 'alertdialog'].includes(roleOf(element))) return 0.97;
    if (element.attributes.has('popover') && textLength(element) > 0) return 0.8;
    if (!isHtml(element, 'div', 'section', 'aside') || !textLength(element) || isNav(element)) return 0;
    // What lies over the whole window once it is opened, and can be left again.
    return coversWindow(page.of(element)) && hiddenBy(page, element) !== undefined && find(element, isLeft) ? 0.9 : 0;
  },
};
