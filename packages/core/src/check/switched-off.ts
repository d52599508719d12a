import type { StyledPage } from '../css/cascade/page-styles.js';
import { isDisabled } from '../css/selector/form-state.js';
import { DISABLED } from '../css/selector/states.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import { isTarget } from './is-target.js';

const isForcedDisabled = (page: StyledPage, element: ElementNode): boolean =>
  ((page.forced.bits.get(element) ?? 0) & DISABLED) !== 0;

const DISABLED_CLASS = /(^|[-_])disabled$/i;

/** A control of which a class says that it is switched off, and which the sheets keep from being pressed. */
const isDisabledByClass = (page: StyledPage, node: ElementNode): boolean =>
  node.classes.some((name) => DISABLED_CLASS.test(name)) &&
  [node, ...node.children].some((own) => isTarget(own) && page.of(own).text('pointer-events') === 'none');

/** True for what a control that is switched off holds. */
export const isSwitchedOff = (page: StyledPage, element: ElementNode): boolean =>
  [element, ...ancestors(element)].some(
    (node) =>
      isDisabled(node) ||
      isForcedDisabled(page, node) ||
      node.attributes.get('aria-disabled') === 'true' ||
      isDisabledByClass(page, node),
  );
