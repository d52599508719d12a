import { isListBox } from '../selector/form-state.js';
import type { ElementNode } from '../../tree/tree.js';
import { widgetOf, type Widget } from './widget.js';

/** An element, or the pseudo-element of one. */
export interface Styled {
  readonly element: ElementNode;
  /** Name without its colons. */
  readonly pseudo: string | undefined;
}

const DATE_FIELD = /^(date|datetime-local|month|time|week)$/;
const SHADOW_HOST = /^(details|select|optgroup)$/;

/** Children of these elements stand in a shadow tree of the browser's. */
export function isSlotted({ element: { parent }, pseudo }: Styled): boolean {
  return pseudo === undefined && parent?.namespace === 'html' && SHADOW_HOST.test(parent.name);
}

export const isHtml = ({ element, pseudo }: Styled, name: string): boolean =>
  pseudo === undefined && element.name === name && element.namespace === 'html';

export function isDateField(styled: Styled): boolean {
  const type = isHtml(styled, 'input') ? styled.element.attributes.get('type')?.toLowerCase() : undefined;
  return type !== undefined && DATE_FIELD.test(type);
}

export const isSvgText = ({ element, pseudo }: Styled): boolean =>
  pseudo === undefined && element.namespace === 'svg' && element.name === 'text';

export const isInsideSvg = ({ element, pseudo }: Styled): boolean =>
  pseudo === undefined && element.namespace === 'svg' && element.parent?.namespace === 'svg';

/** A checkbox or radio button, whose box the browser makes its own. */
export function isMarkWidget({ element, pseudo }: Styled): boolean {
  if (pseudo !== undefined || element.name !== 'input') return false;
  const widget = widgetOf(element);
  return widget === 'check' || widget === 'radio';
}

/** What sort of control a browser draws here, where nothing takes its appearance away. */
export const widgetHere = ({ element, pseudo }: Styled): Widget | undefined =>
  pseudo === undefined ? widgetOf(element) : undefined;

export const isDropDown = (styled: Styled): boolean => isHtml(styled, 'select') && !isListBox(styled.element);

/** Names of HTML attributes are told without regard to case. */
export const attributeOf = ({ element }: Styled, name: string): string | undefined =>
  element.attributes.get(element.namespace === 'html' ? name.toLowerCase() : name);
