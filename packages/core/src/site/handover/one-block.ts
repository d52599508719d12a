import type { HandoverFile } from './site-handover.js';

/** Name of the script of behaviours among the files of a handover; its readable source is called after it. */
export const SCRIPT_NAME = 'retoque-behaviours.js';
export const SCRIPT_SOURCE_NAME = 'retoque-behaviours.source.js';

/**
 * What loads the script, in the head of each page. It runs as soon as it is there, and the page is not painted before, so
 * that nothing is seen that goes away again.
 */
export const scriptTag = (path: string): string =>
  `<script type="module" async blocking="render" src="${path}"></script>`;

/** The CSS that one page has of a handover. */
export const cssFor = (files: readonly HandoverFile[], pageId: string): string =>
  files
    .filter(({ page }) => !page || page.pageId === pageId)
    .map(({ text }) => text)
    .join('\n');

const harmless = (text: string, tag: string): string => text.replace(new RegExp(`</(?=${tag})`, 'gi'), '<\\/');

/** A component as one block of HTML with all that belongs to it, for hosts that take nothing else. */
export function oneBlock(html: string, css: string, script: string): string {
  const style = css.trim() && `<style>\n${harmless(css.trim(), 'style')}\n</style>`;
  const code = script.trim() && `<script type="module">\n${harmless(script.trim(), 'script')}\n</script>`;
  return `${[html.trim(), style, code].filter(Boolean).join('\n')}\n`;
}
