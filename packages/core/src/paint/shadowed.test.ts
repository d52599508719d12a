import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { placed } from '../testing/placed.js';
import { outerShadows } from './outer-shadow.js';
import { shadowed } from './shadowed.js';

const BOX = [100, 100, 60, 40] as const;

/** The box as far as its shadow may reach, beside where the shadow is really painted. */
function reaches(css: string, body = '<div class="g"></div>') {
  const { looking, one } = placed(body, css, { '.g': BOX });
  const [found] = shadowed(looking.view)(looking.geometry!);
  return {
    found: found?.box,
    painted: outerShadows(looking.view.of(one('.g')), { x: 100, y: 100, width: 60, height: 40 }),
  };
}

const length = fc.integer({ min: -300, max: 300 }).map((tenths) => tenths / 10);
const unit = fc.constantFrom('px', 'rem', 'em');
const shadow = fc.record({ x: length, y: length, blur: length.map(Math.abs), spread: length, unit });

describe('where shadows may reach', () => {
  it('takes in all that is painted of them, whatever their lengths', () => {
    fc.assert(
      fc.property(fc.array(shadow, { minLength: 1, maxLength: 3 }), fc.boolean(), (all, isNamed) => {
        const text = all
          .map(({ x, y, blur, spread, unit: own }) => `${[x, y, blur, spread].map((n) => `${n}${own}`).join(' ')} #000`)
          .join(', ');
        const css = isNamed ? `:root { --s: ${text} } .g { box-shadow: var(--s) }` : `.g { box-shadow: ${text} }`;
        const { found, painted } = reaches(css);
        for (const { box } of painted) {
          const free = 0.01;
          expect(box!.x).toBeGreaterThanOrEqual(found!.x - free);
          expect(box!.y).toBeGreaterThanOrEqual(found!.y - free);
          expect(box!.x + box!.width).toBeLessThanOrEqual(found!.x + found!.width + free);
          expect(box!.y + box!.height).toBeLessThanOrEqual(found!.y + found!.height + free);
        }
      }),
      { numRuns: 300 },
    );
  });

  it.each(['none', 'initial', 'inset 0 0 9px #000', '0 0 0 0 #000', 'inherit'])('is nowhere for %s', (value) => {
    expect(reaches(`.g { box-shadow: ${value} }`).found).toBeUndefined();
  });

  it('is as far as around the parent where that is inherited', () => {
    const css = '.o { box-shadow: 0 0 0 5px #000 } .g { box-shadow: inherit }';
    expect(reaches(css, '<div class="o"><div class="g"></div></div>').found).toEqual({
      x: 95,
      y: 95,
      width: 70,
      height: 50,
    });
  });

  it('takes what an element says itself, and what its pseudo-elements throw', () => {
    const grown = { x: 90, y: 90, width: 80, height: 60 };
    expect(reaches('', '<div class="g" style="box-shadow: 0 0 0 10px red"></div>').found).toEqual(grown);
    expect(reaches('.g::before { content: ""; box-shadow: 0 0 0 10px red }').found).toEqual(grown);
  });
});
