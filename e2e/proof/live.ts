import type { Page } from '@playwright/test';
import type { MarkupChange } from '../../packages/core/dist/page/stage.js';

/** Puts a handover behind all sheets of a page; an empty one takes it away. */
export const putOn = (page: Page, css: string): Promise<void> =>
  page.evaluate((text) => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(text);
    document.adoptedStyleSheets = text ? [sheet] : [];
  }, css);

/** Sets attributes of elements, told by their places in the document; gives the changes that undo it. */
export const stage = (page: Page, changes: readonly MarkupChange[]): Promise<MarkupChange[]> =>
  page.evaluate((wanted) => {
    const all = document.querySelectorAll('*');
    return wanted
      .map(({ order, name, value }) => {
        const element = all[order]!;
        if (name === '#text') {
          const before = (element as HTMLTextAreaElement).value;
          (element as HTMLTextAreaElement).value = value ?? '';
          return { order, name, value: before };
        }
        const before = element.getAttribute(name) ?? undefined;
        if (value === undefined) element.removeAttribute(name);
        else element.setAttribute(name, value);
        return { order, name, value: before };
      })
      .reverse();
  }, changes);

/** States of pointer and keyboard that an element is really in. */
export const statesNow = (page: Page, order: number): Promise<string[]> =>
  page.evaluate((at) => {
    const element = document.querySelectorAll('*')[at]!;
    return ['hover', 'active', 'focus', 'focus-visible'].filter((state) => element.matches(`:${state}`));
  }, order);

/** Whether a pseudo-element is laid out; of one that is not, Chromium reads no transform back whatever is set. */
export const isLaidOut = (page: Page, order: number, pseudo: string): Promise<boolean> =>
  page.evaluate(
    ([at, name]) => {
      const element = document.querySelectorAll('*')[at]!;
      const { content, display } = getComputedStyle(element, `::${name}`);
      return element.checkVisibility() && !['none', 'normal'].includes(content) && display !== 'none';
    },
    [order, pseudo] as const,
  );

/** Moves the real pointer onto an element; false where something else lies there, or it is not shown. */
export async function pointAt(page: Page, order: number): Promise<boolean> {
  const at = await page.evaluate((place) => {
    const element = document.querySelectorAll('*')[place]!;
    element.scrollIntoView({ block: 'center', behavior: 'instant' });
    const box = element.getBoundingClientRect();
    const [x, y] = [box.left + box.width / 2, box.top + box.height / 2];
    const hit = document.elementFromPoint(x, y);
    return box.width && box.height && hit && element.contains(hit) ? { x, y } : undefined;
  }, order);
  if (!at) return false;
  await page.mouse.move(at.x, at.y);
  return (await statesNow(page, order)).includes('hover');
}

/** The place in the document of what has the focus after Tab was pressed; undefined where nothing has. */
export async function tabOn(page: Page): Promise<number | undefined> {
  await page.keyboard.press('Tab');
  return page.evaluate(() => {
    const active = document.activeElement;
    if (!active || active === document.body) return undefined;
    return [...document.querySelectorAll('*')].indexOf(active);
  });
}

/** Nothing is pointed at, focused or scrolled any more. */
export async function letGo(page: Page): Promise<void> {
  await page.mouse.move(0, 0);
  await page.evaluate(() => {
    scrollTo(0, 0);
    (document.activeElement as HTMLElement | null)?.blur();
  });
}
