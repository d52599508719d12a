import { expect, test } from '@playwright/test';
import {
  finish,
  findingColour,
  coloursOfSite,
  parseColour,
  Site,
  type ColourUse,
} from '../../packages/core/dist/index.js';
import { BrowserPage } from '../agreement/browser';
import { openDemo } from '../agreement/demo';

// Where a colour is used, and whether it shows there: counted by Chromium's own selectors, and by putting a colour that
// nothing else has in each declaration's place and looking for it in the computed styles of all elements.

const DYNAMIC = /:(hover|focus-visible|focus-within|focus|active|visited|link)\b/g;
const LONGHANDS: Readonly<Record<string, readonly string[]>> = {
  color: ['color'],
  background: ['background-color'],
  'background-color': ['background-color'],
  'border-color': ['border-top-color'],
  border: ['border-top-color'],
  'border-top': ['border-top-color'],
  'border-bottom': ['border-bottom-color'],
  'border-top-color': ['border-top-color'],
  'border-bottom-color': ['border-bottom-color'],
  'outline-color': ['outline-color'],
  outline: ['outline-color'],
};
const MARK = 'rgb(1, 2, 3)';

/** Uses of one page that are asked of Chromium. */
const MOST = 50;

/** What can be asked of Chromium: one selector, under no condition, whose states are those of pointer and keyboard. */
const isPlain = ({ selector, conditions, property }: ColourUse): boolean =>
  conditions.length === 0 &&
  selector !== '' &&
  !/[:,]/.test(selector.replace(DYNAMIC, '')) &&
  !property.startsWith('--');

for (const path of ['/', '/booking.html']) {
  test(`uses of the colours of ${path} are those that Chromium counts`, async ({ page }) => {
    const session = await openDemo(page, path);
    const site = new Site();
    const { html, address, sheets } = session.source;
    site.putPage({ version: 'one', pageId: 'one', name: 'One', source: { html, address, sheets } });
    const colours = coloursOfSite(site);
    const all = colours.flatMap(({ css }) => finish(findingColour(site, { from: parseColour(css)! }))).filter(isPlain);
    // Of all colours some, and of those in a state of the pointer as many as of those at rest.
    const inStates = all.filter(({ selector }) => selector.search(DYNAMIC) >= 0);
    const atRest = all.filter((use) => !inStates.includes(use));
    const uses = [inStates, atRest].flatMap((list) => list.slice(0, MOST / 2));
    expect(uses.length).toBeGreaterThan(20);
    const browser = await BrowserPage.open(page);
    let [shown, hidden] = [0, 0];
    for (const use of uses) {
      const plain = use.selector
        .replace(DYNAMIC, '')
        .replace(/(^|[\s>+~])(?=$|[\s>+~])/g, '$1*')
        .trim();
      const states = [...use.selector.matchAll(DYNAMIC)]
        .map(([, name]) => name!)
        .filter((name) => !/visited|link/.test(name));
      const name = `${use.selector} { ${use.property}: ${use.value} } at ${use.sheet}:${use.line}`;
      const count = await page.evaluate((selector) => document.querySelectorAll(selector).length, plain);
      expect([name, use.reached]).toEqual([name, count]);
      const longhands = LONGHANDS[use.property];
      if (!count || !longhands || /:(visited|link)\b/.test(use.selector)) continue;
      await browser.forceAll(states);
      const isSeen = await page.evaluate(
        ({ selector, css, value, property, names, mark }) => {
          const tight = (text: string) => text.replace(/\s+/g, '').replace(/['"]/g, '').toLowerCase();
          // The element that says what a colour is called in CSSOM.
          const probe = document.createElement('i').style;
          const said = (text: string) => {
            probe.cssText = `${property}: ${text}`;
            return names.map((one) => probe.getPropertyValue(one)).join();
          };
          const rules = [...document.styleSheets]
            .flatMap((sheet) => [...sheet.cssRules])
            .filter((rule): rule is CSSStyleRule => rule instanceof CSSStyleRule)
            .filter((rule) => tight(rule.selectorText) === tight(css))
            .filter(({ style }) => names.map((one) => style.getPropertyValue(one)).join() === said(value));
          if (!rules.length) return undefined;
          const before = rules.map(({ style }) => style.cssText);
          for (const [i, { style }] of rules.entries()) {
            // A shorthand with a variable in it says of its longhands neither their values nor how much they weigh.
            const weight = new RegExp(`(^|;)\\s*${property}:[^;]*!important`).test(before[i]!) ? 'important' : '';
            for (const one of names) style.setProperty(one, mark, style.getPropertyPriority(one) || weight);
          }
          const elements = [...document.querySelectorAll(selector)];
          for (const animation of document.getAnimations()) animation.finish();
          const isSeen = elements.some((element) => {
            const style = getComputedStyle(element);
            for (const animation of element.getAnimations()) animation.finish();
            return names.some((one) => style.getPropertyValue(one) === mark);
          });
          for (const [i, { style }] of rules.entries()) style.cssText = before[i]!;
          return isSeen;
        },
        {
          selector: plain,
          css: use.selector,
          value: use.value,
          property: use.property,
          names: [...longhands],
          mark: MARK,
        },
      );
      // What has its colour through a custom property is written in another way.
      if (isSeen === undefined) continue;
      if (isSeen) shown++;
      else hidden++;
      expect([name, use.isOverridden]).toEqual([name, !isSeen]);
    }
    await browser.close();
    expect(shown).toBeGreaterThan(10);
    test.info().annotations.push({ type: 'uses', description: `${shown} shown, ${hidden} overridden` });
  });
}
