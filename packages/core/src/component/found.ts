import type { Locator } from '../css/selector/locator.js';

/** A component found on a page: the elements that one selector of the site reaches. */
export interface FoundComponent {
  readonly kind: string;
  readonly name: string;
  readonly selector: string;
  readonly locator: Locator;
  /** Elements by their order in the document; valid for this parse only. */
  readonly elements: readonly number[];
  /** What stands in them and is none of the component, by its outermost elements. */
  readonly outside?: readonly number[];
  /** How many elements the selector matches on this page, those of another kind included. */
  readonly reach: number;
  /** Where on the page it stands: the nearest landmark's plain name. */
  readonly region: string;
}
