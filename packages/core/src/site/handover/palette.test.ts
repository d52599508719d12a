import { describe, expect, it } from '@jest/globals';
import { finish } from '../../base/steps.js';
import { locatorFor, selectAll } from '../../css/selector/locator.js';
import { lookOf, settingOf } from '../../testing/settings.js';
import type { Look } from '../../look/model.js';
import type { SwatchesAs } from '../../palette/swatch.js';
import { Site } from '../site.js';
import { handingOver } from './hand-over.js';

const swatches = [
  { id: 'quay', name: 'Quay blue', css: '#0b5563' },
  { id: 'sand', name: 'Sand', css: '#f4ead7' },
  { id: 'idle', name: 'Idle', css: '#123456' },
];
const LOOK = lookOf(
  settingOf('button', 'color', 'swatch(sand)'),
  settingOf('button', 'background-color', 'swatch(quay)'),
  settingOf('button', 'box-shadow', '0 1px 3px swatch(quay / 40%)'),
  settingOf('button', 'background-image', 'linear-gradient(swatch(quay / 50%), swatch(sand / 0%))'),
);

function siteWith(css: string, look: Look, handedOverAs: SwatchesAs): Site {
  const site = new Site();
  const source = {
    html: '<!doctype html><link rel="stylesheet" href="s.css"><body><p>Words <a class="btn" href="#a">Book</a></p>',
    address: 'https://line.invalid/',
    sheets: [{ address: 'https://line.invalid/s.css', text: css }],
  };
  site.putPage({ version: 'home', pageId: 'home', name: 'Home', source });
  site.setPalette({ swatches, handedOverAs });
  const [element] = selectAll(site.page('home').tree, '.btn');
  site.wear({ id: 'a', name: 'Button', kind: 'button', locator: locatorFor(element!, '.btn'), look });
  return site;
}

const handOver = (css: string, handedOverAs: SwatchesAs) => {
  const { files, pages } = finish(handingOver(siteWith(css, LOOK, handedOverAs)));
  expect(pages.flatMap(({ failures }) => failures)).toEqual([]);
  expect(pages[0]!.compared).toBeGreaterThan(0);
  return files[0]!.text;
};

const CSS = '#x, .btn { padding: 9px 12px; color: #fff; background: #046 !important }';

describe('swatches that are handed over', () => {
  it('are plain colours where that is wanted', () => {
    const text = handOver(CSS, 'literals');
    expect(text).toContain('color: #f4ead7;');
    expect(text).toContain('0 1px 3px #0b556366');
    expect(text).not.toMatch(/var\(|swatch/);
  });

  it('are custom properties of the page where that is wanted: those that are used, called as they are', () => {
    const text = handOver(CSS, 'properties');
    expect(text).toMatch(/:root \{\n {2}--quay-blue: #0b5563;\n {2}--sand: #f4ead7;\n\}/);
    expect(text).toContain('color: var(--sand, #f4ead7);');
    expect(text).toContain('color-mix(in srgb, var(--quay-blue, #0b5563) 40%, transparent)');
    expect(text).not.toContain('idle');
  });

  it('are called otherwise where the site has such a name', () => {
    const text = handOver(`:root { --quay-blue: red } .btn { --sand: blue } ${CSS}`, 'properties');
    expect(text).toContain('--quay-blue-2: #0b5563;');
    expect(text).toContain('var(--sand-2, #f4ead7)');
  });

  it('change everything that names them at once', () => {
    const site = siteWith(CSS, LOOK, 'literals');
    const ground = () =>
      site
        .on('home')
        .lookList()[0]!
        .worn.look.settings.find(({ property }) => property === 'background-color')!.value;
    expect(ground()).toBe('#0b5563');
    site.setPalette({ swatches: swatches.map((own) => ({ ...own, css: '#222222' })), handedOverAs: 'literals' });
    expect(ground()).toBe('#222222');
  });
});
