import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { verdictOf } from '../check/verdict.js';
import { toHex } from '../colour/print.js';
import type { Geometry } from '../page/geometry.js';
import { selectAll } from '../css/selector/locator.js';
import { fieldOf } from '../picture/field.js';
import { anyColour, opaque } from '../testing/arbitraries.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { askedOf, triedCase, tryIn } from './try-colours.js';

const WIDTH = 60;

/** A picture of a few colours in bands, so that text over it passes in some places and not in others. */
const picture = (colours: readonly (readonly [number, number, number])[]) => {
  const data = new Uint8ClampedArray(WIDTH * 20 * 4);
  for (let i = 0; i < WIDTH * 20; i++) data.set([...colours[i % colours.length]!, 255], i * 4);
  return fieldOf(WIDTH, 20, data);
};

const BACKGROUNDS = {
  plain: (colour: string) => `background: ${colour}`,
  picture: () => 'background: url(p.png) 0 0 / 60px 20px no-repeat #888',
  gradient: (colour: string) => `background: linear-gradient(90deg, #000, ${colour})`,
  edge: (colour: string) => `background: linear-gradient(${colour}, ${colour}) 0 0 / 20px 20px no-repeat #888`,
} as const;

const byte = fc.integer({ min: 0, max: 255 });

describe('colours that are tried on a text', () => {
  it('pass together where each case passes with them, whatever lies behind', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(BACKGROUNDS) as (keyof typeof BACKGROUNDS)[])),
        fc.array(fc.tuple(byte, byte, byte), { minLength: 2, maxLength: 6 }),
        opaque,
        opaque,
        fc.option(anyColour, { nil: undefined }),
        fc.array(anyColour, { minLength: 1, maxLength: 6 }),
        fc.boolean(),
        (behind, bands, ground, ink, veil, tries, isMeasured) => {
          const own = veil ? `background-color: ${toHex(veil)}` : '';
          const page = pageOf(
            '<div class="back"><a class="t" href="#">Board</a></div>',
            `.back { ${BACKGROUNDS[behind](toHex(ground))} } .t { color: ${toHex(ink)}; ${own} }`,
          );
          const box = { x: 0, y: 0, width: WIDTH, height: 20 };
          const elements = new Map(page.tree.elements.map(({ order }) => [order, { box, lines: [box] }]));
          const geometry: Geometry = { width: 400, height: 300, elements };
          const looking = lookingAt(page.stylesFor().at(), isMeasured ? geometry : undefined, () => picture(bands));
          const element = selectAll(page.tree, '.t')[0]!;
          for (const property of ['color', 'background-color']) {
            const tried = triedCase({ looking, element, carrier: element, pseudo: undefined }, property);
            if (!tried) return;
            const asked = askedOf([tried, tried], property);
            for (const colour of [...tries, ...tries.map((one) => ({ ...one, alpha: 1 }))]) {
              const found = tryIn(tried, property, colour);
              // What is right on the line may be rounded either way.
              if (found && Math.abs(found.worst - tried.needed) < 0.02) continue;
              const verdict = found ? verdictOf(found, tried.needed) : 'passes';
              const share = found?.share;
              if (share !== undefined && share > 0 && share < 0.05) continue;
              expect([property, colour, asked.passes(colour)]).toEqual([property, colour, verdict === 'passes']);
            }
          }
        },
      ),
      { numRuns: 150 },
    );
  });
});
