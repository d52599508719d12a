import type { ElementNode } from '../../tree/tree.js';

/**
 * States that an address or a script brings about, carried in a tree by attributes that no HTML can have: a name with a
 * space.
 */
export const OPENED = { target: ' target', 'popover-open': ' popover-open' } as const;
export type OpenedState = keyof typeof OPENED;
export const OPENED_STATES = Object.keys(OPENED) as readonly OpenedState[];

export const isOpened = (element: ElementNode, state: OpenedState): boolean => element.attributes.has(OPENED[state]);
