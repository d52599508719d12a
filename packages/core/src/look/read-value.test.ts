import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { rowNamed } from '../component/rows.js';
import { parseColour } from '../colour/parse.js';
import { sameRgba } from '../colour/rgba.js';
import { colourAsSaid, isBlock, mendText, readBlock, readCellText } from './read-value.js';

const read = (key: string, text: string) => readCellText(rowNamed(key)!, text);

describe('colours as people say them', () => {
  it.each([
    ['#0b5563', '#0b5563'],
    ['0b5563', '#0b5563'],
    ['333', '#333'],
    ['255, 255, 255, .5', 'rgba(255, 255, 255, 0.5)'],
    ['11 85 99', 'rgb(11, 85, 99)'],
    ['11 85 99 / 50%', 'rgb(11 85 99 / 50%)'],
    ['rebeccapurple', 'rebeccapurple'],
    ['color: #fff;', '#fff'],
    ['#fff !important', '#fff'],
  ])('%s', (said, meant) => {
    const value = read('text', said);
    expect(value.ok).toBe(true);
    expect(value.ok && sameRgba(parseColour(value.text)!, parseColour(meant)!)).toBe(true);
  });

  it('may be swatches, wherever a colour may stand', () => {
    expect(read('text', 'swatch(quay-blue)')).toMatchObject({ ok: true, values: { color: 'swatch(quay-blue)' } });
    expect(read('border', '2px solid swatch(quay / 40%)')).toMatchObject({
      ok: true,
      values: { 'border-top-color': 'swatch(quay / 40%)', 'border-top-width': '2px' },
    });
    expect(read('background-image', 'linear-gradient(swatch(a), #a1b2c3 40%, swatch(b))')).toMatchObject({
      values: { 'background-image': 'linear-gradient(swatch(a), #a1b2c3 40%, swatch(b))' },
    });
    expect(read('padding', 'swatch(a)')).toMatchObject({ ok: false, problem: expect.stringContaining('swatch(a)') });
    expect(read('text', 'swatch()').ok).toBe(false);
  });

  it('reads each hex colour without its # as the colour itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), (number) => {
        const hex = number.toString(16).padStart(6, '0');
        expect(colourAsSaid(hex)).toBe(`#${hex}`);
      }),
    );
  });
});

describe('values', () => {
  it.each([
    [
      'padding',
      '12 20',
      { 'padding-top': '12px', 'padding-right': '20px', 'padding-bottom': '12px', 'padding-left': '20px' },
    ],
    ['font-size', '18', { 'font-size': '18px' }],
    ['font-weight', '600', { 'font-weight': '600' }],
    ['line-height', '1.5', { 'line-height': '1.5' }],
    [
      'padding',
      'padding: 1em',
      { 'padding-top': '1em', 'padding-right': '1em', 'padding-bottom': '1em', 'padding-left': '1em' },
    ],
    ['margin-top', '\u22124px', { 'margin-top': '-4px' }],
    ['font-family', '\u201cGill Sans\u201d,\u00a0serif', { 'font-family': '"Gill Sans", serif' }],
    ['gap', '1em 2em', { 'row-gap': '1em', 'column-gap': '2em' }],
    ['opacity', 'inherit', { opacity: 'inherit' }],
    [
      'border-radius',
      '4px 8px',
      {
        'border-top-left-radius': '4px',
        'border-top-right-radius': '8px',
        'border-bottom-right-radius': '4px',
        'border-bottom-left-radius': '8px',
      },
    ],
  ])('%s: %s', (key, text, values) => {
    const value = read(key, text);
    expect(value).toMatchObject({ ok: true, values });
  });

  it.each([
    ['text', 'blu', 'not a CSS colour'],
    ['padding', 'wide', 'not a value of padding'],
    ['opacity', 'a }', 'no braces'],
    ['text', '  ', 'clear the cell'],
    ['transition-duration', '200', 'Try 200ms'],
  ])('%s refuses “%s” and says what to do', (key, text, words) => {
    const value = read(key, text);
    expect(value.ok).toBe(false);
    expect(!value.ok && value.problem).toContain(words);
  });

  it('never takes what could end its declaration', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom('{', '}', ';x', '/*', '</'), fc.string(), (a, b, c) => {
        const value = read('content', `"${a}${b}${c}"`);
        if (value.ok) expect(Object.values(value.values).join()).not.toMatch(/[{};]|\/\*|<\//);
      }),
    );
  });
});

describe('a shorthand typed at one of its rows', () => {
  const valuesAt = (key: string, text: string) => {
    const found = read(key, text);
    return found.ok ? found.values : undefined;
  };

  it('sets all that it says', () => {
    const border = valuesAt('border', '1px solid #cbb98a')!;
    expect(Object.keys(border)).toHaveLength(12);
    expect(border).toMatchObject({
      'border-top-width': '1px',
      'border-left-style': 'solid',
      'border-left-color': '#cbb98a',
    });
    expect(valuesAt('border', 'border: 2px dashed red;')).toMatchObject({ 'border-right-width': '2px' });
    expect(valuesAt('border-top-color', '3px double teal')).toEqual({
      'border-top-width': '3px',
      'border-top-style': 'double',
      'border-top-color': 'teal',
    });
    expect(valuesAt('outline', '2px solid gold')).toMatchObject({ 'outline-width': '2px', 'outline-color': 'gold' });
    expect(valuesAt('background', 'url(a.png) no-repeat #fff')).toMatchObject({
      'background-color': '#fff',
      'background-image': 'url(a.png)',
      'background-repeat': 'no-repeat',
    });
    expect(valuesAt('transition-duration', 'color 200ms ease-in 50ms')).toMatchObject({
      'transition-property': 'color',
      'transition-delay': '50ms',
    });
    expect(valuesAt('text-decoration-line', 'underline wavy red')).toMatchObject({ 'text-decoration-style': 'wavy' });
  });

  it('is no shorthand where the row takes the text itself, nor where it is one word or no value', () => {
    expect(valuesAt('border', '#cbb98a')).toHaveProperty('border-top-color', '#cbb98a');
    expect(Object.keys(valuesAt('border', '#cbb98a')!)).toHaveLength(4);
    expect(valuesAt('border', '1px')).toBeUndefined();
    expect(valuesAt('border', '1px solidd red')).toBeUndefined();
    expect(valuesAt('text', '1px solid red')).toBeUndefined();
  });
});

describe('blocks of CSS', () => {
  it('are told from single values', () => {
    expect(isBlock('color: red; padding: 3px')).toBe(true);
    expect(isBlock('.a { color: red }')).toBe(true);
    expect(isBlock('url(https://x.org/a.png)')).toBe(false);
    expect(isBlock('1px solid red')).toBe(false);
  });

  it('name what cannot be taken, and take the rest', () => {
    const { values, problems } = readBlock(
      'a:hover { color: 333; colour: red; opacity: very; border: 1px solid gold }',
    );
    expect(values).toMatchObject({ color: '#333', 'border-top-color': 'gold', 'border-left-style': 'solid' });
    expect(problems.join(' ')).toMatch(/colour.*very/);
  });

  it('what stands in straight quotes is meant as it is: a mark before an item', () => {
    for (const text of ['"»" / ""', '"“" / ""', "'–1'", '"\\"»"']) {
      expect(mendText(text)).toBe(text);
      expect(read('content', text)).toMatchObject({ ok: true, values: { content: text } });
    }
    expect(mendText('“Lora”, "a «b»"')).toBe('"Lora", "a «b»"');
  });

  it('have what documents did to them mended', () => {
    expect(mendText('font-family:\u00a0\u201cA\u201d;\u200b margin: \u20132px')).toBe('font-family: "A"; margin: -2px');
  });
});
