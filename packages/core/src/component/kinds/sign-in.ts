import type { ElementNode } from '../../tree/tree.js';
import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { count, find, isFieldElement, isHtml, isInside, isNav, isPassword } from '../signs.js';
import { POINTED } from '../states.js';
import { FORM_DEMANDS, FORM_PARTS } from './form.js';

const USED = new Set([
  'title',
  'description',
  'label',
  'field',
  'placeholder',
  'help',
  'error',
  'checkbox',
  'choice',
  'submit',
]);
const MOST_FIELDS = 5;

const asksForPassword = (element: ElementNode): boolean =>
  isHtml(element, 'form') && find(element, isPassword) !== undefined && count(element, isFieldElement) <= MOST_FIELDS;

/** A page that is there to sign in on: little more than a form that asks for a password. */
export const SIGN_IN: Kind = {
  name: 'sign-in',
  label: 'Sign-in page',
  plural: 'sign-in pages',
  claims: true,
  parts: [
    {
      name: 'page',
      label: 'Page ground',
      find: [':scope'],
      states: ['default'],
      first: ['background', 'background-image', 'background-size', 'background-position', 'text'],
    },
    {
      name: 'logo',
      label: 'Logo',
      find: [':scope :is([class*=logo], [class*=brand])', ':scope img'],
      states: POINTED,
      first: ['text', 'text-shadow', 'font-size', 'width', 'height', 'transition-duration'],
    },
    {
      name: 'panel',
      label: 'Form',
      find: [':scope form:has([type=password])'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'backdrop-filter'],
    },
    ...FORM_PARTS.filter((part) => USED.has(part.name)),
    {
      name: 'links',
      label: 'Help and return links',
      find: [':scope a:not([class*=logo], [class*=brand], [class*=skip])'],
      states: POINTED,
      first: ['text-shadow', 'transition-property', ...TARGET_ROWS],
    },
  ],
  demands: [...FORM_DEMANDS.filter((demand) => USED.has(demand.part)), textDemand('links', 'Links on page ground')],
};

export const SIGN_IN_STARTER: Starter = {
  html: '<main class="rq-sign-in"><form><label for="rq-user">Name</label><input id="rq-user" name="user"><label for="rq-pass">Password</label><input id="rq-pass" name="pass" type="password"><button>Sign in</button></form><a href="#">Back to the site</a></main>',
  css: '.rq-sign-in { min-height: 100vh; display: grid; place-content: center; gap: 1em; background: linear-gradient(#163944, #1f4e5f); color: #fff }\n.rq-sign-in form { display: grid; gap: .5em; padding: 2em; border-radius: 12px; background: #fff; color: #14262c }\n.rq-sign-in a { color: #fff }',
};

export const SIGN_IN_SIGNS: Signs = {
  kind: SIGN_IN,
  recognise(element) {
    if (!isHtml(element, 'body', 'main', 'section', 'div') || !find(element, asksForPassword)) return 0;
    if (!isHtml(element, 'body'))
      return isInside(element, (node) => isHtml(node, 'body') && isAlone(node)) ? 0 : isHtml(element, 'main') ? 0.8 : 0;
    return isAlone(element) ? 0.95 : 0;
  },
  toldBy: [':has([type="password"]):not(:has(nav, [role="navigation"]))', ':has([type="password"])'],
  named: (root) => (find(root, isPassword) ? 'Sign-in page' : undefined),
};

/** A page with neither a menu nor much else, so that its whole ground belongs to signing in. */
const isAlone = (body: ElementNode): boolean => !find(body, isNav) && find(body, asksForPassword) !== undefined;
