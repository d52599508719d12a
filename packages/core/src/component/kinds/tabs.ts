import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { find, isHtml, roleOf } from '../signs.js';

/** As the ARIA Authoring Practices structure tabs: a tablist of tabs, each with its tabpanel. */
export const TABS: Kind = {
  name: 'tabs',
  label: 'Tabs',
  plural: 'sets of tabs',
  claims: true,
  parts: [
    {
      name: 'list',
      label: 'Row of tabs',
      find: [':scope [role=tablist]'],
      states: ['default'],
      first: [...BOX_ROWS, 'gap'],
    },
    {
      name: 'tab',
      label: 'Tab',
      find: [':scope [role=tab]'],
      states: ['default', 'hover', 'focus', 'pressed', 'current', 'current+hover', 'disabled'],
      first: TARGET_ROWS,
    },
    {
      name: 'panel',
      label: 'Tab panel',
      find: [':scope [role=tabpanel]'],
      states: ['default', 'focus'],
      first: ['text', ...BOX_ROWS, 'outline'],
    },
  ],
  demands: [textDemand('tab', 'Tab on background'), textDemand('panel', 'Text on panel')],
};

export const TABS_STARTER: Starter = {
  html: '<div class="rq-tabs"><div role="tablist" aria-label="Seasons"><button type="button" role="tab" id="rq-tab-1" aria-controls="rq-panel-1" aria-selected="true">Summer</button><button type="button" role="tab" id="rq-tab-2" aria-controls="rq-panel-2" aria-selected="false" tabindex="-1">Winter</button></div><div role="tabpanel" id="rq-panel-1" aria-labelledby="rq-tab-1" tabindex="0">Six sailings a day.</div><div role="tabpanel" id="rq-panel-2" aria-labelledby="rq-tab-2" tabindex="0" hidden>Three sailings a day.</div></div>',
  css: '.rq-tabs [role=tab] { padding: .7em 1.2em; border: 0; border-bottom: 3px solid transparent; background: none; color: #14262c }\n.rq-tabs [role=tab][aria-selected=true] { border-color: #1f4e5f; font-weight: 600 }\n.rq-tabs [role=tab]:hover { background: #e4e9ea }\n.rq-tabs [role=tab]:focus-visible { outline: 2px solid #1f4e5f }\n.rq-tabs [role=tabpanel] { padding: 1.2em }',
  needs: 'Switching panels needs a script: arrow keys move between tabs, and the chosen panel is shown.',
};

export const TABS_SIGNS: Signs = {
  kind: TABS,
  recognise(element) {
    if (!isHtml(element)) return 0;
    const list = element.children.some(
      (child) => roleOf(child) === 'tablist' || child.children.some((inner) => roleOf(inner) === 'tablist'),
    );
    const nearer = element.children.some(
      (child) =>
        roleOf(child) !== 'tablist' &&
        find(child, (node) => roleOf(node) === 'tablist') &&
        find(child, (node) => roleOf(node) === 'tabpanel'),
    );
    return list && !nearer && find(element, (node) => roleOf(node) === 'tabpanel') ? 0.95 : 0;
  },
  named: (root) => find(root, (node) => roleOf(node) === 'tablist')?.attributes.get('aria-label'),
};
