import { describe, expect, it } from '@jest/globals';
import { defineConfig, parse } from '@terrazzo/parser';
import fc from 'fast-check';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { readTokens, TokensError, writeTokens } from './tokens.js';
import type { Swatch } from './swatch.js';

const read = (tokens: unknown) => readTokens(JSON.stringify(tokens));
const named = (tokens: unknown) => read(tokens).swatches.map(({ name, css }) => [name, css]);

const hex = fc.integer({ min: 0, max: 0xffffff }).map((number) => `#${number.toString(16).padStart(6, '0')}`);
/** Names of any characters, as many groups deep as they have slashes. */
const names = fc
  .array(fc.string({ minLength: 1, maxLength: 8 }), { minLength: 1, maxLength: 3 })
  .map((n) => n.join(' / '));
const palettes = fc
  .array(fc.record({ name: names, css: hex }), { minLength: 1, maxLength: 8 })
  .map((list) => list.map((own, i): Swatch => ({ id: `s-${i}`, ...own })));

describe('design tokens', () => {
  // Values as in the examples of the Color Module, 2025.10, section 4; the numbers are written from memory.
  it('are colours of every space of the format, and hex text of its older drafts', () => {
    const color = (colorSpace: string, components: unknown[], alpha?: number) => ({
      $type: 'color',
      $value: { colorSpace, components, ...(alpha === undefined ? {} : { alpha }) },
    });
    expect(
      named({
        pink: { $type: 'color', $value: { colorSpace: 'srgb', components: [1, 0, 1], alpha: 1, hex: '#ff00ff' } },
        veil: color('srgb', [1, 0, 1], 0.5),
        hsl: color('hsl', [330, 100, 50]),
        hwb: color('hwb', [330, 0, 0]),
        lab: color('lab', [60.17, 93.54, -60.5]),
        oklch: color('oklch', [0.7016, 0.3225, 'none'], 0.25),
        wide: color('display-p3', [1, 0, 1]),
        old: { $type: 'color', $value: '#ff00ff80' },
      }),
    ).toEqual([
      ['pink', '#ff00ff'],
      ['veil', '#ff00ff80'],
      ['hsl', 'hsl(330 100% 50%)'],
      ['hwb', 'hwb(330 0% 0%)'],
      ['lab', 'lab(60.17 93.54 -60.5)'],
      ['oklch', 'oklch(0.7016 0.3225 none / 25%)'],
      ['wide', 'color(display-p3 1 0 1)'],
      ['old', '#ff00ff80'],
    ]);
  });

  it('take their type from the groups around them, and their value from what they name', () => {
    expect(
      named({
        colour: {
          $type: 'color',
          base: { blue: { $value: '#0b5563' } },
          link: { $root: { $value: '{colour.base.blue}' }, hover: { $ref: '#/colour/base/blue' } },
        },
        size: { $type: 'dimension', gap: { $value: { value: 4, unit: 'px' } } },
        button: { $value: '{colour.link.hover}' },
      }),
    ).toEqual([
      ['colour / base / blue', '#0b5563'],
      ['colour / link', '#0b5563'],
      ['colour / link / hover', '#0b5563'],
      ['button', '#0b5563'],
    ]);
  });

  it('that name themselves, or what is not there, are left out and named', () => {
    const { swatches, problems } = read({
      $type: 'color',
      a: { $value: '{b}' },
      b: { $value: '{c.d}' },
      c: { d: { $value: '{a}' } },
      self: { $value: '{self}' },
      lost: { $value: '{nowhere}' },
      odd: { $value: { colorSpace: 'srgb', components: [1, 0] } },
      fine: { $value: '#111' },
      gap: { $type: 'dimension', $value: { value: 1, unit: 'px' } },
    });
    expect(swatches).toEqual([{ name: 'fine', css: '#111' }]);
    expect(problems).toEqual([
      { code: 'circle', token: 'a' },
      { code: 'circle', token: 'b' },
      { code: 'circle', token: 'c.d' },
      { code: 'circle', token: 'self' },
      { code: 'missing', token: 'lost' },
      { code: 'value', token: 'odd' },
      { code: 'others', count: 1 },
    ]);
  });

  it.each(['', 'red', '[]', '3', '{}', '{"$value"', '{"a":{"b":{}}}'])('that are none are refused: %s', (text) => {
    expect(() => readTokens(text)).toThrow(TokensError);
  });

  it('of any depth and shape are read or refused, and nothing else happens', () => {
    const json = fc.letrec<{ node: unknown }>((tie) => ({
      node: fc.oneof(
        { maxDepth: 5 },
        fc.constantFrom('{a}', '{a.b}', '#123', 'color', 3, null, ['x']),
        fc.dictionary(fc.constantFrom('a', 'b', '$type', '$value', '$ref', '$root', '__proto__'), tie('node')),
      ),
    })).node;
    fc.assert(
      fc.property(json, (tokens) => {
        try {
          for (const { css } of read(tokens).swatches) expect(parseColour(css)).toBeDefined();
        } catch (error) {
          expect(error).toBeInstanceOf(TokensError);
        }
      }),
    );
    const deep = `${'{"a":'.repeat(500)}{"$value":"#111"}${'}'.repeat(500)}`;
    expect(() => readTokens(deep)).toThrow(TokensError);
  });

  it('keep a colour whose name begins as none may', () => {
    const palette = [' $', '$ $a', ' $value / $b'].map((name, i): Swatch => ({
      id: `s-${i}`,
      name,
      css: `#11223${i}`,
    }));
    expect(readTokens(writeTokens(palette)).swatches.map(({ css }) => css)).toEqual(palette.map(({ css }) => css));
  });

  it('are written so that reading them gives every colour again', () => {
    fc.assert(
      fc.property(palettes, (palette) => {
        const { swatches, problems } = readTokens(writeTokens(palette));
        expect(problems).toEqual([]);
        expect(swatches.map(({ css }) => css).sort()).toEqual(palette.map(({ css }) => css).sort());
      }),
    );
    const plain = ['Quay blue', 'Brand / Sand', 'Brand / Deep / Sea'].map((name, i) => ({
      id: `s${i}`,
      name,
      css: '#123456',
    }));
    expect(readTokens(writeTokens(plain)).swatches.map(({ name }) => name)).toEqual(plain.map(({ name }) => name));
  });

  // The parser of a tool that follows the format, from the registry.
  it('are taken by another tool as they are written, with the same colours', async () => {
    const palette: Swatch[] = [
      { id: 'a', name: 'Quay blue', css: '#0b5563' },
      { id: 'b', name: 'Brand / Sand', css: '#f4ead7' },
      { id: 'c', name: 'Brand', css: 'rgb(10 20 30 / 50%)' },
      { id: 'd', name: 'Brand / Sand / Deep', css: 'oklch(0.6 0.1 80)' },
    ];
    const filename = new URL('file:///tokens.json');
    const config = defineConfig({ lint: { rules: {} } }, { cwd: new URL('file:///') });
    const { tokens } = await parse([{ filename, src: writeTokens(palette) }], { config });
    const theirs = Object.values(tokens).map(({ $type, $value }) => {
      expect($type).toBe('color');
      const { components, alpha } = $value as unknown as { components: [number, number, number]; alpha: number };
      const [r, g, b] = components;
      return toHex({ r, g, b, alpha });
    });
    expect(theirs.sort()).toEqual(palette.map(({ css }) => toHex(parseColour(css)!)).sort());
  });
});
