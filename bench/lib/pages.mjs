import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);
const text = (path) => readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8');

const page = (name, body, sheets) => ({
  name,
  sheets,
  html: `<!doctype html><html lang="en"><head>${sheets.map((css) => `<style>${css}</style>`).join('')}</head><body>${body}</body></html>`,
});

const bodyOf = (html) => /<body[^>]*>([\s\S]*)<\/body>/i.exec(html)[1];
const demo = (file) =>
  page(`demo ${file}`, bodyOf(text(`apps/practice-host/site/${file}`)), [
    text('apps/practice-host/site/css/theme.css'),
    text('apps/practice-host/site/css/site.css'),
  ]);

/** The pages that the core is compared with Chromium on. */
export const PAGES = [
  demo('index.html'),
  demo('booking.html'),
  page('bootstrap', text('e2e/agreement/pages/bootstrap.html'), [
    readFileSync(require.resolve('bootstrap/dist/css/bootstrap.css'), 'utf8'),
  ]),
  page('bulma', text('e2e/agreement/pages/bulma.html'), [readFileSync(require.resolve('bulma/css/bulma.css'), 'utf8')]),
];

export const INTERACTIVE = 'a[href], button, input:not([type=hidden]), select, textarea, summary, label, [tabindex]';

/** What is asked of each element: the properties that owners style most. */
export const ASKED = [
  ...['color', 'background-color', 'background-image', 'opacity', 'box-shadow', 'text-shadow'],
  ...['top', 'right', 'bottom', 'left'].flatMap((side) => [
    `border-${side}-color`,
    `border-${side}-width`,
    `border-${side}-style`,
  ]),
  ...['top', 'right', 'bottom', 'left'].flatMap((side) => [`padding-${side}`, `margin-${side}`]),
  ...[
    'font-size',
    'font-weight',
    'font-family',
    'line-height',
    'text-decoration-line',
    'text-transform',
    'letter-spacing',
  ],
  ...[
    'outline-color',
    'outline-width',
    'outline-style',
    'border-top-left-radius',
    'display',
    'cursor',
    'transition-duration',
  ],
];

/** A page of many elements and rules, the same on each run. */
export function largePage(elements, rules) {
  let seed = 1;
  const random = (n) => (seed = (seed * 48271) % 2147483647) % n;
  const css = Array.from({ length: rules }, (_, i) => {
    const state = ['', '', '', ':hover', ':focus', ':active'][random(6)];
    const selector = [
      () => `.c${i % 2500}${state}`,
      () => `.c${random(2500)} .c${random(2500)}${state}`,
      () => `.g${random(50)} > .c${random(2500)}${state}`,
      () => `a.c${random(2500)}${state}, button.c${random(2500)}${state}`,
      () => `.c${random(2500)}:not(.x)${state}`,
    ][random(5)]();
    return `${selector} { color: rgb(${i % 256} ${random(256)} ${random(256)}); padding: ${random(30)}px ${random(10)}px; border: ${random(4)}px solid #${(100000 + i).toString(16).slice(-6).padStart(6, '0')}; margin-top: ${random(20) / 10}em }`;
  }).join('\n');
  let body = '';
  let open = 0;
  for (let i = 0; i < elements; i++) {
    const tag = ['div', 'section', 'a', 'span', 'button', 'p'][random(6)];
    const leaf = tag !== 'div' && tag !== 'section';
    const name = `class="c${random(2500)} c${random(2500)} g${random(50)}"`;
    if (leaf) body += `<${tag} ${name}${tag === 'a' ? ' href="#"' : ''}>x</${tag}>`;
    else {
      body += `<div ${name}>`;
      open++;
    }
    while (open > 12 || (open > 0 && random(4) === 0)) {
      body += '</div>';
      open--;
    }
  }
  return page(`${elements} elements, ${rules} rules`, body + '</div>'.repeat(open), [css]);
}
