// Contrast in depth: pairs of colours beside colour libraries, a picture beside a bare pass over its pixels, the whole
// ledger of a component and a remedy for it beside doing the same from nothing.
import {
  changeLook,
  ComponentSession,
  contrastRatio,
  DESKTOP,
  EMPTY_LOOK,
  fieldOf,
  geometryOf,
  PageSession,
  parseColour,
  solve,
  sweep,
  VIEWPORTS,
} from '@retoque/core';
import chroma from 'chroma-js';
import { colord, extend } from 'colord';
import a11y from 'colord/plugins/a11y';
import Color from 'colorjs.io';
import { parse, wcagContrast } from 'culori';
import { fullLook, menuPage } from './lib/menu.mjs';
import { inTurn, median, ms, times } from './lib/time.mjs';

extend([a11y]);
const hex = (n) => `#${(((n * 2654435761) % 16777216) >>> 0).toString(16).padStart(6, '0')}`;

async function pairs() {
  const texts = Array.from({ length: 2000 }, (_, i) => hex(i + 1));
  const libraries = {
    ours: [parseColour, contrastRatio],
    culori: [parse, wcagContrast],
    colord: [colord, (a, b) => a.contrast(b)],
    'chroma-js': [chroma, (a, b) => chroma.contrast(a, b)],
    'colorjs.io': [(text) => new Color(text), (a, b) => a.contrastWCAG21(b)],
  };
  const perSecond = {};
  for (const [name, [read, contrast]] of Object.entries(libraries)) {
    const colours = texts.map((text) => read(text));
    const rounds = name === 'ours' ? 2000 : 20;
    const taken = await median(() => {
      let sum = 0;
      // Every colour with others in turn; nothing but the contrast is worked out in between.
      for (let round = 0; round < rounds; round++) {
        const other = colours[round];
        for (const colour of colours) sum += contrast(colour, other);
      }
      if (!(sum > 0)) throw new Error(`${name} measured nothing.`);
    });
    perSecond[name] = ((rounds * colours.length) / taken) * 1000;
  }
  const { ours, ...others } = perSecond;
  const [fastest, rate] = Object.entries(others).sort((a, b) => b[1] - a[1])[0];
  console.log('Contrast of pairs of colours that are parsed already, a second:');
  for (const [name, value] of Object.entries(perSecond)) console.log(`  ${name}: ${(value / 1e6).toFixed(2)} million`);
  console.log(`  ours is ${times(ours / rate)} the fastest library, ${fastest} (wanted: 20x).`);
}

async function picture() {
  const [width, height] = [4000, 3000];
  const data = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < data.length; i += 4) {
    data[i] = (i >> 3) & 255;
    data[i + 1] = (i >> 9) & 255;
    data[i + 2] = (i >> 5) & 255;
    data[i + 3] = 255;
  }
  const field = fieldOf(width, height, data);
  const words = new Uint32Array(data.buffer);
  const white = parseColour('#fff');
  const region = { x: 0, y: 0, width, height };
  const dim = parseColour('rgb(0 0 0 / 40%)');
  // One after the other in turn, so that what else the machine does falls on all alike.
  const [bare, own, veil] = inTurn([
    () => {
      let sum = 0;
      for (let i = 0; i < words.length; i++) {
        const word = words[i];
        sum += (word & 255) + ((word >> 8) & 255) + ((word >> 16) & 255);
      }
      if (!sum) throw new Error('Nothing was read.');
    },
    () => sweep(field, region, white, 4.5),
    () => sweep(field, region, white, 4.5, dim),
  ]);
  console.log(
    `A text over a picture of 12 megapixels: ${ms(own)}, under a veil ${ms(veil)}; a bare pass over the pixels: ${ms(bare)}.`,
  );
  console.log(`  that is ${times(own / bare)} and ${times(veil / bare)} (wanted: 3x at most).`);
}

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));

/** Every element in a place of its own, as if a browser had laid them out in lines. */
function measure(page) {
  for (const { environment } of viewports) {
    const measured = page.tree.elements.map((element) => {
      const box = [(element.order % 10) * 120, Math.floor(element.order / 10) * 30, 110, 28];
      const isOuter = ['html', 'body', 'main', 'header'].includes(element.name);
      return {
        order: element.order,
        box: isOuter ? [0, 0, environment.width, 4000] : box,
        lines: isOuter ? [] : [box],
      };
    });
    page.measures.setGeometry(geometryOf(environment, measured));
  }
}

/** Edits that are not counted: as many as a second of dragging makes. */
const WARM = 60;
const EDITS = 100;

function menuComponent() {
  const page = new PageSession({ html: menuPage(1000), address: 'http://bench.invalid/', sheets: [] });
  // The sheet stands in the page of the keystroke benchmark as well.
  measure(page);
  const menu = page.components().find(({ kind }) => kind === 'menu');
  return new ComponentSession(page, menu.kind, menu.locator);
}

const request = { viewports, at: 'wide' };

function ledger() {
  const component = menuComponent();
  let look = fullLook();
  const start = performance.now();
  const checks = component.ledger(look, request).length;
  const cold = performance.now() - start;
  const taken = [];
  for (let i = 0; i < WARM + EDITS; i++) {
    look = changeLook(look, [
      {
        part: 'link',
        property: 'color',
        when: { states: [{ part: 'link', state: 'hover' }] },
        value: `rgb(${i}, ${255 - i}, 90)`,
      },
    ]);
    const from = performance.now();
    component.ledger(look, request);
    taken.push(performance.now() - from);
  }
  const sorted = taken.slice(WARM).sort((a, b) => a - b);
  const at = (share) => sorted[Math.floor(sorted.length * share)];
  console.log(`The full ledger (${checks} checks) of 12 parts, 8 states and 3 viewports: ${ms(cold)} from nothing;`);
  console.log(
    `  when one colour changes: median ${ms(at(0.5))}, p95 ${ms(at(0.95))}, ${times(cold / at(0.5))} less (wanted: under 10 ms).`,
  );
}

/** Sessions in which a component is solved. */
const SESSIONS = 12;

/** One action for the whole component, in a session that has done nothing but to list its checks. */
function remedies() {
  for (const [words, look] of [
    ['as its site has it', EMPTY_LOOK],
    ['with every state set at every width', fullLook()],
  ]) {
    let last;
    const [first, ...warm] = Array.from({ length: SESSIONS }, () => {
      const component = menuComponent();
      component.ledger(look, request);
      const before = performance.now();
      last = solve(component, look, { of: 'component' }, request);
      return performance.now() - before;
    });
    const sorted = warm.sort((a, b) => a - b);
    const middle = sorted[Math.floor(sorted.length / 2)];
    console.log(
      `A remedy for the whole component from nothing, ${words} (${last.mended.length} mended checks, ${last.settings.length} changes, ${last.unmet.length} not met):`,
    );
    console.log(
      `  ${ms(first)} in the first session of the process, then median ${ms(middle)}, lowest ${ms(sorted[0])} (wanted: under 100 ms; what the interface takes: bench press).`,
    );
  }
}

export async function benchContrast() {
  await pairs();
  await picture();
  ledger();
  remedies();
}
