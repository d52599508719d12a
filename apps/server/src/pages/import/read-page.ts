import {
  isBuiltByScript,
  PageTooLargeError,
  pageReferences,
  parseHtml,
  sanitiseHtml,
  sheetReferences,
  titleOf,
  tooDeepSpans,
  type PageTree,
} from '@retoque/core';
import type { RemovedParts } from '../../database/schema.js';

type References = ReturnType<typeof sheetReferences>;

/** What is read out of a page's HTML. */
export interface ReadPage {
  readonly html: string;
  readonly title: string;
  readonly removed: RemovedParts;
  readonly wanted: References;
  readonly builtByScript: boolean;
  /** Where CSS within the HTML nests too deep to be read, in words. */
  readonly deep: readonly string[];
}

export interface ReadSheet {
  readonly wanted: References;
  readonly deep: readonly string[];
}

/** Reads texts of others, here or in a process of its own. */
export interface PageReader {
  /** @returns the words for it where the page goes past the bounds of a page */
  page(source: string, address: string): Promise<ReadPage | { readonly tooLarge: string }>;
  sheet(text: string, address: string): Promise<ReadSheet>;
}

const deepIn = (name: string, css: string): string[] =>
  tooDeepSpans(css).map(([start]) => `${name}line ${css.slice(0, start).split('\n').length}`);

function deepInPage(tree: PageTree): string[] {
  const found: string[] = [];
  let embedded = 0;
  for (const element of tree.elements) {
    if (element.name === 'style') {
      const css = element.content.filter((item) => typeof item === 'string').join('');
      found.push(...deepIn(`style ${++embedded}, `, css));
    }
    const own = element.attributes.get('style');
    if (own) found.push(...deepIn(`a style attribute of <${element.name}>, `, own));
  }
  return found;
}

export function readPage(source: string, address: string): ReadPage | { readonly tooLarge: string } {
  try {
    const { html, removed } = sanitiseHtml(source);
    const tree = parseHtml(html);
    return {
      html,
      removed,
      title: titleOf(tree),
      wanted: pageReferences(tree, address),
      builtByScript: isBuiltByScript(tree, removed.scripts),
      deep: deepInPage(tree),
    };
  } catch (error) {
    if (error instanceof PageTooLargeError) return { tooLarge: error.message };
    throw error;
  }
}

export const readSheet = (text: string, address: string): ReadSheet => ({
  wanted: sheetReferences(text, address),
  deep: deepIn('', text),
});

/** Reads where it is called; for tests, and where nobody waits beside it. */
export const READ_HERE: PageReader = {
  page: (source, address) => Promise.resolve(readPage(source, address)),
  sheet: (text, address) => Promise.resolve(readSheet(text, address)),
};
