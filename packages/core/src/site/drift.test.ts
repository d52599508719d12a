import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { finish } from '../base/steps.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK } from '../look/model.js';
import { findingDrift, settlingDrift, type Drift } from './drift.js';
import { Site } from './site.js';
import { componentKey } from './worn.js';

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports, at: 'wide' };

const BASE = 'display: inline-block; color: #fff; font: 16px/1.4 sans-serif;';
/** A page with a button for each rule, each under a class of its own, so that each is a component. */
function siteWith(rules: readonly string[]): Site {
  const site = new Site();
  const css = rules.map((rule, i) => rule.replaceAll('&', `.b${i}`)).join('\n');
  const body = rules.map((_, i) => `<p>Words <a class="b${i}" href="#${i}">Button ${i}</a></p>`).join('');
  const source = {
    html: `<!doctype html><link rel="stylesheet" href="s.css"><body><main>${body}</main>`,
    address: 'https://line.invalid/',
    sheets: [{ address: 'https://line.invalid/s.css', text: css }],
  };
  site.putPage({ version: 'v', pageId: 'p', name: 'Page', source });
  return site;
}
const find = (site: Site): Drift[] => finish(findingDrift(site, request));
const words = (drifts: readonly Drift[]): string[] =>
  drifts.flatMap(({ cells }) =>
    cells.flatMap(({ property, column, wanted, others }) =>
      others.map(
        ({ text, units }) => `${column} ${property}: ${units.map(({ name }) => name).join(', ')} ${text} → ${wanted}`,
      ),
    ),
  );
function wearSettled(site: Site): void {
  const { shares } = finish(settlingDrift(site, find(site), request));
  for (const { place, name, settings, exceptions } of shares) {
    const look = { ...changeLook(EMPTY_LOOK, settings), exceptions };
    site.wear({ id: componentKey(place), name, kind: place.kind, locator: place.locator, look });
  }
}

const button = (more: string, hover = '#063a44') =>
  `& { ${BASE} background: #0b5563; padding: 9px 16px; border-radius: 5px; ${more} } &:hover { background: ${hover} }`;

describe('drift', () => {
  it('is what differs by too little to be a choice', () => {
    const site = siteWith([button(''), button(''), button('background: #0d5866'), button('border-radius: 4px')]);
    expect(words(find(site))).toEqual([
      'default background-color: Button 2 rgb(13, 88, 102) → rgb(11, 85, 99)',
      ...['top-left', 'top-right', 'bottom-right', 'bottom-left'].map(
        (corner) => `default border-${corner}-radius: Button 3 4px → 5px`,
      ),
    ]);
  });

  it('is a sibling without the hover of the others', () => {
    const still = `& { ${BASE} background: #0b5563; padding: 9px 16px; border-radius: 5px }`;
    const site = siteWith([button(''), button(''), still]);
    expect(words(find(site))).toContain('hover background-color: Button 2 rgb(11, 85, 99) → rgb(6, 58, 68)');
  });

  it('is none where things look different, or are the same', () => {
    expect(find(siteWith([button(''), button('')]))).toEqual([]);
    const other = `& { ${BASE} background: #8a1c1c; padding: 9px 16px } &:hover { background: #333 }`;
    expect(find(siteWith([button(''), other]))).toEqual([]);
    // Twice the room is a choice.
    expect(find(siteWith([button(''), button('padding: 4px 8px')]))).toEqual([]);
  });

  it('is found at one width and in one scheme, and mended there alone', () => {
    const narrow = '@media (max-width: 480px) { .b2 { border-radius: 4px } }';
    const night = '@media (prefers-color-scheme: dark) { .b1 { background: #0d5866 } }';
    const site = siteWith([button(''), button(''), `${button('')} ${narrow} ${night}`]);
    expect(find(site)).toEqual([]);
    const phone = { ...request, at: 'narrow', place: { viewport: 'narrow' as const } };
    const dark = {
      viewports: viewports.map(({ name, environment }) => ({
        name,
        environment: { ...environment, scheme: 'dark' as const },
      })),
      at: 'wide',
      place: { scheme: 'dark' as const },
    };
    for (const [own, told, when] of [
      [phone, 'border-top-left-radius: Button 2 4px → 5px', phone.place],
      [dark, 'background-color: Button 1 rgb(13, 88, 102) → rgb(11, 85, 99)', dark.place],
    ] as const) {
      const drifts = finish(findingDrift(site, own));
      expect(words(drifts)).toContain(`default ${told}`);
      const { shares } = finish(settlingDrift(site, drifts, own));
      const settings = shares.flatMap((share) => share.settings);
      expect(settings.length).toBeGreaterThan(0);
      for (const setting of settings) expect(setting.when).toMatchObject(when);
    }
  });

  it('is none where one is in another state as the page comes', () => {
    const options = [1, 2, 3].map(
      (n) => `<label class="opt"><input type="radio" name="r" ${n === 1 ? 'checked' : ''}> Boat ${n}</label>`,
    );
    const site = new Site();
    const source = {
      html: `<!doctype html><link rel="stylesheet" href="s.css"><main><form>${options.join('')}<button>Go</button></form></main>`,
      address: 'https://line.invalid/',
      sheets: [
        {
          address: 'https://line.invalid/s.css',
          text: '.opt { font-weight: 500 } .opt:has(:checked) { font-weight: 600 }',
        },
      ],
    };
    site.putPage({ version: 'v', pageId: 'p', name: 'Page', source });
    expect(words(find(site))).toEqual([]);
  });

  it('is told and mended for some members of one component', () => {
    const rule = '.a { color: #0b5563 } .b { color: #0c5664 } nav a:hover { color: #000 }';
    const site = new Site();
    const list = ['a', 'a', 'b'].map((name, i) => `<li><a class="${name}" href="#${i}">Link ${i}</a></li>`).join('');
    const source = {
      html: `<!doctype html><link rel="stylesheet" href="s.css"><nav><ul>${list}</ul></nav><main><h1>Quay</h1></main>`,
      address: 'https://line.invalid/',
      sheets: [{ address: 'https://line.invalid/s.css', text: rule }],
    };
    site.putPage({ version: 'v', pageId: 'p', name: 'Page', source });
    const [drift] = find(site);
    expect([drift!.part, drift!.elements, drift!.components]).toEqual(['link', 3, 1]);
    expect(drift!.cells[0]!.others.map(({ units }) => units.map(({ elements }) => elements.length))).toEqual([[1]]);
    wearSettled(site);
    expect(find(site)).toEqual([]);
  });

  it('is gone once it is settled, whatever differed', () => {
    const near = fc.record({
      blue: fc.integer({ min: 95, max: 101 }),
      radius: fc.integer({ min: 4, max: 6 }),
      padding: fc.integer({ min: 9, max: 10 }),
      hover: fc.constantFrom('#063a44', '#8a1c1c', '#0b5563'),
    });
    fc.assert(
      fc.property(fc.array(near, { minLength: 2, maxLength: 5 }), (buttons) => {
        const site = siteWith(
          buttons.map(({ blue, radius, padding, hover }) =>
            button(`background: rgb(11 85 ${blue}); border-radius: ${radius}px; padding: ${padding}px 16px`, hover),
          ),
        );
        wearSettled(site);
        expect(words(find(site))).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });
});
