import type { PageChange } from '../page/change.js';
import type { Look } from '../look/model.js';
import { ownPartsOf, type OwnParts } from '../component/own-parts.js';
import type { ComponentPlace } from '../parts/placed-component.js';

/** A component of a site with the look that it wears. */
export interface WornLook extends Omit<ComponentPlace, keyof OwnParts> {
  readonly id: string;
  readonly name: string;
  readonly look: Look;
  /** The page that it was kept on: there alone it is looked for where its selector reaches nothing any more. */
  readonly pageId?: string | undefined;
}

/** A page of a site, as it was brought or as it was changed since. */
export interface SitePage {
  /** Names this version of the page; other content has another. */
  readonly version: string;
  /** The page, as settings name it. */
  readonly pageId: string;
  readonly name: string;
  /** Markup that was added to it, or stands in place of what was there; its HTML and CSS are in the page already. */
  readonly changes?: readonly PageChange[] | undefined;
}

/** Where a worn look is found; which parts it has, and what they are called, the look says itself. */
export const placeOf = ({ kind, locator, look }: WornLook): ComponentPlace => ({
  kind,
  locator,
  ...ownPartsOf(look),
});

/** Whether a look is that of the component that stands at a place. */
export const isWornAt = (worn: Pick<ComponentPlace, 'kind' | 'locator'>, place: ComponentPlace): boolean =>
  worn.kind === place.kind && worn.locator.selector === place.locator.selector;

/** A component by its kind and selector, as one text. */
export const componentKey = ({ kind, locator }: Pick<ComponentPlace, 'kind' | 'locator'>): string =>
  `${kind} ${locator.selector}`;
