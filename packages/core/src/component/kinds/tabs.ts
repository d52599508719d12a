import { TABS_SWITCH } from '../behaviours/tabs.js';
import { textDemand, type Kind, type Signs } from '../kind.js';
import { BOX_ROWS, TARGET_ROWS } from '../rows.js';
import { find, isHtml, roleOf } from '../signs.js';

/** As the ARIA Authoring Practices structure tabs: a tablist of tabs, each with its tabpanel. */
export const TABS: Kind = {
  name: 'tabs',
  label: 'Tabs',
  plural: 'sets of tabs',
  claims: true,
  behaviours: [TABS_SWITCH],
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
