import { expect, test } from '@playwright/test';
import { PageSession, selectAll } from '../../packages/core/dist/index.js';

// Pseudo-elements that Chromium gives computed styles for, scrollbars among them, which it hides unless told otherwise.
test.use({
  launchOptions: {
    executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
    args: process.getuid?.() === 0 ? ['--no-sandbox'] : [],
    ignoreDefaultArgs: ['--hide-scrollbars'],
  },
});

const CSS = `.s { width: 100px; height: 50px; overflow: scroll; color: navy }
  .s::-webkit-scrollbar { width: 14px; background: #eee }
  .s::-webkit-scrollbar-thumb { background: teal; border-radius: 7px; border: 2px solid #eee }
  .s::-webkit-scrollbar-thumb:hover { background: green }
  .s::-webkit-scrollbar-thumb:horizontal { background: orange }
  .s::-webkit-scrollbar-track { background: pink; opacity: .5 }
  .s::-webkit-scrollbar-corner { background: red }
  ::selection { color: white; background: purple }
  p::selection { background: gold }
  dialog::backdrop { background: rgb(0 0 0 / 50%) }
  p::first-line { color: red; font-weight: 700 }`;
const HTML = `<!doctype html><style>${CSS}</style>
  <div class="s"><div style="height: 500px; width: 500px"><p>x <b>y</b></p></div></div><dialog open>d</dialog>`;

const PARTS = [
  ['.s', '-webkit-scrollbar'],
  ['.s', '-webkit-scrollbar-thumb'],
  ['.s', '-webkit-scrollbar-track'],
  ['.s', '-webkit-scrollbar-corner'],
  ['p', 'selection'],
  ['b', 'selection'],
  ['dialog', 'backdrop'],
  ['p', 'first-line'],
] as const;
const PROPERTIES = [
  ...['color', 'background-color', 'opacity', 'font-size', 'font-weight', 'display'],
  ...['border-top-width', 'border-top-style', 'border-top-color', 'border-top-left-radius', 'box-shadow'],
];

for (const [selector, part] of PARTS) {
  test(`${selector}::${part} has the values that Chromium gives it`, async ({ page }) => {
    await page.setContent(HTML);
    const real = await page.evaluate(
      ([of, pseudo, names]) => {
        const style = getComputedStyle(document.querySelector(of)!, `::${pseudo}`);
        return names.map((name) => style.getPropertyValue(name));
      },
      [selector, part, PROPERTIES] as const,
    );
    const session = new PageSession({ html: HTML, address: 'http://parts.invalid/', sheets: [] });
    const style = session.stylesFor().at().of(selectAll(session.tree, selector)[0]!, part);
    expect(PROPERTIES.map((name) => style.text(name))).toEqual(real);
  });
}
