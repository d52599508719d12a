import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expandDeclaration } from '../css/sheet/declaration.js';
import {
  EASING_WORDS,
  placesOf,
  printBezier,
  printFunctions,
  printGradient,
  printShadows,
  printTransitions,
  quantityText,
  readBezier,
  readFunctions,
  readGradient,
  readQuantity,
  readShadows,
  readTransitions,
  stepQuantity,
} from './index.js';

const AT = { sheet: 'test', line: 1, column: 1 };
const isValid = (property: string, value: string) => expandDeclaration(property, value, false, AT).length > 0;

describe('gradients', () => {
  // Examples in the way CSS Images 3 and 4 write them (section 3), from memory.
  const EXAMPLES = [
    'linear-gradient(yellow, blue)',
    'linear-gradient(to bottom, yellow, blue)',
    'linear-gradient(180deg, yellow, blue)',
    'linear-gradient(to bottom, yellow 0%, blue 100%)',
    'linear-gradient(135deg, yellow, blue)',
    'linear-gradient(-45deg, blue, yellow)',
    'linear-gradient(yellow, blue 20%, #0f0)',
    'linear-gradient(to top left, red, white, blue)',
    'radial-gradient(yellow, green)',
    'radial-gradient(ellipse at center, yellow 0%, green 100%)',
    'radial-gradient(farthest-corner at 50% 50%, yellow, green)',
    'radial-gradient(circle, yellow, green)',
    'radial-gradient(5em circle at top left, yellow, blue)',
    'radial-gradient(circle closest-side at 20px 30px, red, yellow, green)',
    'radial-gradient(20px 30px at 20px 30px, red, yellow, green)',
    'conic-gradient(white, black)',
    'conic-gradient(from 45deg, white, black, white)',
    'conic-gradient(from -90deg at 25% 30%, #f06, gold 12deg 40deg, #f06 100%)',
    'conic-gradient(yellowgreen 40%, gold 0deg 75%, #f06 0deg)',
    'repeating-linear-gradient(red, blue 20px, red 40px)',
    'repeating-radial-gradient(circle closest-side at 20px 30px, red, yellow, green 100%, yellow 150%, red 200%)',
    'repeating-conic-gradient(hsla(0, 0%, 100%, .2) 0deg 15deg, hsla(0, 0%, 100%, 0) 0deg 30deg)',
    'linear-gradient(in oklch longer hue, red, 30%, blue)',
    'linear-gradient(45deg in oklab, rgb(255 0 0 / 50%) 10%, color(display-p3 0 1 0) calc(50% + 10px))',
  ];

  test.each(EXAMPLES)('%s is taken apart and put together', (text) => {
    const gradient = readGradient(text)!;
    const printed = printGradient(gradient);
    expect(isValid('background-image', printed)).toBe(true);
    expect(readGradient(printed)).toEqual(gradient);
    // A browser makes the same of both.
    const computed = (value: string) => expandDeclaration('background-image', value, false, AT)[0]!.value;
    expect(computed(printed).replace(/\s+/g, '').toLowerCase()).toBe(
      computed(text).replace(/\s+/g, '').toLowerCase().replace(/0%,0%/g, '0%,0%'),
    );
  });

  test.each([
    ['-webkit-linear-gradient(top, red, blue)', 'linear-gradient(to bottom, red, blue)'],
    ['-webkit-linear-gradient(0deg, red, blue)', 'linear-gradient(90deg, red, blue)'],
    ['-webkit-repeating-linear-gradient(red, blue 9px)', 'repeating-linear-gradient(red, blue 9px)'],
    [
      '-webkit-radial-gradient(50% 0, circle cover, red, blue)',
      'radial-gradient(circle farthest-corner at 50% 0, red, blue)',
    ],
  ])('the older %s becomes %s', (older, text) => {
    expect(printGradient(readGradient(older)!)).toBe(text);
  });

  test.each([
    'none',
    'url(a.png)',
    '-webkit-linear-gradient(left top, red, blue)',
    'linear-gradient(var(--a), red)',
    'linear-gradient()',
    'red',
    '',
  ])('%p is left alone', (text) => expect(readGradient(text)).toBeUndefined());

  test('stops without a place are spread evenly, and none goes back', () => {
    const places = (text: string) => placesOf(readGradient(text)!);
    expect(places('linear-gradient(red, white, blue)')).toEqual([0, 0.5, 1]);
    expect(places('linear-gradient(red 40%, white, black, blue)')[1]).toBeCloseTo(0.6);
    // CSS Images 4, section 3.5.3: a stop before the one in front of it is moved onto it.
    expect(places('linear-gradient(red 80%, white 0%, blue 50%)')).toEqual([0.8, 0.8, 0.8]);
    expect(places('conic-gradient(red 0.25turn, blue 180deg)')).toEqual([0.25, 0.5]);
  });

  const colour = fc.constantFrom('red', '#0b5563', 'rgb(1 2 3 / 40%)', 'oklch(0.4 0.07 214)', 'currentcolor');
  const place = fc.option(
    fc.integer({ min: 0, max: 100 }).map((n) => `${n}%`),
    { nil: undefined },
  );
  test('whatever is put together is taken apart the same', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('linear' as const, 'radial' as const, 'conic' as const),
        fc.boolean(),
        fc.option(fc.constantFrom('oklch', 'hsl longer hue', 'srgb'), { nil: undefined }),
        fc.option(fc.constantFrom('left top', '20% 40px', 'center'), { nil: undefined }),
        fc.array(fc.record({ colour, at: place }), { minLength: 2, maxLength: 6 }),
        (shape, repeating, interpolation, centre, list) => {
          const gradient = {
            shape,
            repeating,
            ...(interpolation ? { interpolation } : {}),
            ...(centre && shape !== 'linear' ? { centre } : {}),
            stops: list.map(({ colour: own, at }) => (at === undefined ? { colour: own } : { colour: own, at })),
          };
          const text = printGradient(gradient);
          expect(isValid('background-image', text)).toBe(true);
          expect(readGradient(text)).toEqual(gradient);
        },
      ),
    );
  });
});

describe('shadows', () => {
  test.each([
    ['0 2px 8px rgb(0 0 0 / 20%)', '0 2px 8px rgb(0 0 0 / 20%)'],
    ['rgb(1, 2, 3) 1px 2px', '1px 2px rgb(1, 2, 3)'],
    ['inset 0 0 0 2px #fff, 0 1px 2px', 'inset 0 0 0 2px #fff, 0 1px 2px'],
    ['3px 4px 0 5px red inset', 'inset 3px 4px 0 5px red'],
    ['none', 'none'],
  ])('%s', (text, printed) => {
    const shadows = readShadows(text)!;
    expect(printShadows(shadows)).toBe(printed);
    expect(readShadows(printed)).toEqual(shadows);
    expect(isValid('box-shadow', printed)).toBe(true);
  });
  test('colours of the palette are colours here too, in shadows and gradients', () => {
    const text = 'inset 0 1px 2px swatch(rust), 0 2px swatch(sand / 40%)';
    expect(readShadows(text)!.map(({ colour }) => colour?.replace(/\s/g, ''))).toEqual([
      'swatch(rust)',
      'swatch(sand/40%)',
    ]);
    expect(readShadows(printShadows(readShadows(text)!))).toEqual(readShadows(text));
    const gradient = readGradient('linear-gradient(to right, swatch(rust) 10%, #fff)')!;
    expect(gradient).toMatchObject({
      direction: 'to right',
      stops: [{ colour: 'swatch(rust)', at: '10%' }, { colour: '#fff' }],
    });
    expect(readGradient(printGradient(gradient))).toEqual(gradient);
  });
  test.each(['red', '1px', 'inherit', ''])('%p is no shadow', (text) => expect(readShadows(text)).toBeUndefined());
});

describe('curves and transitions', () => {
  test('keywords are curves, and curves that have one are keywords', () => {
    for (const word of Object.keys(EASING_WORDS)) expect(printBezier(readBezier(word)!)).toBe(word);
    expect(printBezier(readBezier('cubic-bezier(.17, .67, .83, 1.4)')!)).toBe('cubic-bezier(0.17, 0.67, 0.83, 1.4)');
    expect(readBezier('steps(4, end)')).toBeUndefined();
    // CSS Easing 2: handles stay between 0 and 1 across.
    expect(readBezier('cubic-bezier(1.2, 0, 0, 1)')).toBeUndefined();
  });
  test('lists of different lengths are repeated, and written as short as they go', () => {
    const longhands: Record<string, string> = {
      'transition-property': 'color, background-color, transform',
      'transition-duration': '200ms, 0.4s',
      'transition-timing-function': 'ease-in-out, cubic-bezier(0, 0, 1, 1)',
      'transition-delay': '0s',
    };
    const list = readTransitions((name) => longhands[name]!);
    expect(list.map(({ duration }) => duration)).toEqual(['200ms', '0.4s', '200ms']);
    expect(list[1]!.easing).toBe('cubic-bezier(0, 0, 1, 1)');
    const printed = printTransitions(list);
    expect(printed['transition-delay']).toBe('0s');
    expect(readTransitions((name) => printed[name]!)).toEqual(list);
    for (const [name, value] of Object.entries(printed)) expect(isValid(name, value)).toBe(true);
    expect(printTransitions([])['transition-property']).toBe('none');
  });
});

describe('lists of functions', () => {
  test.each([
    ['filter', 'brightness(110%) drop-shadow(0 2px 4px rgb(0 0 0 / 30%))'],
    ['transform', 'translate(10px, -50%) rotate(0.25turn) scale(1.1)'],
    ['filter', 'none'],
  ])('%s: %s', (property, text) => {
    expect(printFunctions(readFunctions(text)!)).toBe(text);
    expect(isValid(property, text)).toBe(true);
  });
  test('what is no list is left alone', () => expect(readFunctions('inherit red')).toBeUndefined());
});

describe('numbers', () => {
  test.each([
    ['20', 'px', '20px'],
    ['20px', 'px', '20px'],
    ['1.5rem', 'px', '1.5rem'],
    ['10%', 'px', '10%'],
    ['2*8', 'px', '16px'],
    ['2 × 8px', 'px', '16px'],
    ['(40 - 4)/3', 'px', '12px'],
    ['10px+6px', 'px', '16px'],
    ['1rem + 4px', 'px', 'calc(1rem + 4px)'],
    ['1,5', '', '1.5'],
    ['0', 'px', '0'],
    ['-4', 'px', '-4px'],
    ['auto', 'px', 'auto'],
    ['fit-content', 'px', 'fit-content'],
    ['1/0', 'px', '1/0'],
    ['3 + ', 'px', '3 +'],
  ])('%s with %s in mind is %s', (typed, unit, text) => expect(quantityText(typed, unit)).toBe(text));

  test('steps go by what the unit is worth, and stay within bounds', () => {
    const step = (text: string, steps: number, bounds = {}) => stepQuantity(readQuantity(text)!, steps, bounds).value;
    expect(step('10px', 1)).toBe(11);
    expect(step('10px', -10)).toBe(0);
    expect(step('1rem', 1)).toBe(1.05);
    expect(step('0.5', 1, { most: 1, step: 0.01 })).toBe(0.51);
    expect(step('1px', -5, { least: 0 })).toBe(0);
  });

  test('stepping up and down again comes back', () => {
    fc.assert(
      fc.property(fc.integer({ min: -500, max: 500 }), fc.constantFrom('px', 'rem', '%', 's'), (value, unit) => {
        const up = stepQuantity({ value, unit }, 7);
        expect(stepQuantity(up, -7).value).toBeCloseTo(value, 3);
      }),
    );
  });
});
