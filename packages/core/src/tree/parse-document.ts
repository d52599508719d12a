import { defaultTreeAdapter, parse, type DefaultTreeAdapterTypes as Dom } from 'parse5';

/** Deeper trees are refused: nothing real nests like this, and recursion must stay bounded. Chromium stops here too. */
export const MAX_DEPTH = 512;
export const MAX_ELEMENTS = 60_000;

export class PageTooLargeError extends Error {
  override readonly name = 'PageTooLargeError';
}

export const tooDeep = () => new PageTooLargeError(`The page nests elements more than ${MAX_DEPTH} levels deep.`);
export const tooMany = () =>
  new PageTooLargeError(`The page has more than ${MAX_ELEMENTS.toLocaleString('en')} elements.`);

/**
 * Parses HTML as browsers do (WHATWG HTML, section 13, with scripting enabled), and stops as soon as it goes past a
 * bound, so that no text makes it slow.
 *
 * @param withPlaces keeps where in the source each element stands
 * @throws PageTooLargeError past MAX_DEPTH levels or MAX_ELEMENTS elements
 */
export function parseDocument(source: string, withPlaces = false): Dom.Document {
  let depth = 0;
  let elements = 0;
  const treeAdapter: typeof defaultTreeAdapter = {
    ...defaultTreeAdapter,
    createElement: (...facts) => {
      if (++elements > MAX_ELEMENTS) throw tooMany();
      return defaultTreeAdapter.createElement(...facts);
    },
    onItemPush: () => {
      if (++depth > MAX_DEPTH) throw tooDeep();
    },
    onItemPop: () => {
      depth--;
    },
  };
  return parse(source, { scriptingEnabled: true, sourceCodeLocationInfo: withPlaces, treeAdapter });
}
