import type { Page } from '@playwright/test';
import { measureDocument } from '../../apps/web/src/frame/measure-page';

/**
 * Measures the page that Chromium shows, by the very function that the application runs in its frames.
 *
 * @param attribute holds an element's place; elements are counted where none has it
 */
export const measuredIn = (page: Page, attribute = 'data-none') =>
  page.evaluate(([source, name]) => (new Function(`return (${source})`)() as typeof measureDocument)(document, name!), [
    measureDocument.toString(),
    attribute,
  ] as const);
