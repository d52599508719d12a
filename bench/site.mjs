// What an edit costs on a site of many pages and kept looks, beside the same edit on a site with one look; in this process.
import { changeLook, DEFAULT_BOUNDS, DESKTOP, EMPTY_LOOK, Site } from '@retoque/core';
import { ms, times } from './lib/time.mjs';

const PAGES = 30;
const LOOKS = 60;
const EDITS = 200;

/** Buttons that rules of their own tell apart, so that each is a component. */
const BUTTONS = Array.from({ length: 80 }, (_, i) => i);
const CSS = `.btn { padding: 8px 14px; background: #0b5563 } .btn:hover { opacity: .9 } ${BUTTONS.map((i) => `.b${i} { color: #fffff${i % 10} } .b${i}:hover { background: #0b55${i + 10} }`).join(' ')}`;
const BODY = BUTTONS.map(
  (i) => `<section><h2>Line ${i}</h2><p>Words <a class="btn b${i}" href="#${i}">Board ${i}</a></p></section>`,
).join('');

const colour = (i) => `#${(0x202020 + i * 977).toString(16).slice(-6)}`;
const lookOf = (part, i) =>
  changeLook(EMPTY_LOOK, [{ part, property: 'color', value: colour(i), when: { states: [] } }]);

function siteWith(looks) {
  const site = new Site({ bounds: DEFAULT_BOUNDS });
  for (let i = 0; i < PAGES; i++) {
    const html = `<!doctype html><title>${i}</title><link rel="stylesheet" href="s.css"><main>${BODY}</main>`;
    const sheets = [{ address: 'https://page.invalid/s.css', text: CSS }];
    const source = { html, address: 'https://page.invalid/', sheets };
    site.putPage({ version: `v${i}`, pageId: `p${i}`, name: `Page ${i}`, source });
  }
  const found = site
    .page('v0')
    .components()
    .filter((item) => item.kind === 'button');
  found.slice(0, looks).forEach(({ kind, name, locator }, i) => {
    const [part] = site.component('v0', { kind, locator }).parts;
    site.wear({ id: `look ${i}`, name, kind, locator, look: lookOf(part.part.name, i) });
  });
  return { site, found };
}

/** Milliseconds of edits of one component, the frames and the sheet, sorted. */
function editing(looks) {
  const { site, found } = siteWith(looks);
  const { kind, locator } = found[0];
  const taken = [];
  for (let i = 0; i < EDITS; i++) {
    const begun = performance.now();
    const session = site.component('v0', { kind, locator });
    const part = session.parts[0].part.name;
    const look = lookOf(part, i + 1000);
    session.frameRules(look, { environment: DESKTOP });
    session.sheet(look, { environment: DESKTOP, unfolded: [part] });
    taken.push(performance.now() - begun);
    // Every tenth edit another component's look is saved meanwhile.
    if (i % 10 === 9 && looks > 1) site.wear({ ...site.worn[1 + (i % (looks - 1))], look: lookOf(part, i) });
  }
  return { taken: taken.sort((a, b) => a - b), looks: site.worn.length };
}

const at = (taken, share) => taken[Math.floor(taken.length * share)];

export function benchSite() {
  const one = editing(1);
  const many = editing(LOOKS);
  console.log(`An edit on a site of ${PAGES} pages, with ${many.looks} looks beside one look:`);
  for (const [name, share] of [
    ['median', 0.5],
    ['p95', 0.95],
  ]) {
    const [few, more] = [at(one.taken, share), at(many.taken, share)];
    console.log(`  ${name}: ${ms(more)}, ${times(more / few)} the ${ms(few)} with one look.`);
  }
  console.log('  (Wanted: p95 within 1.2 times.)\n');
}
