import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { pageOf } from '../../testing/page.js';
import { selectAll } from '../selector/locator.js';
import type { KnownMeasures } from '../cascade/known-measures.js';
import { DESKTOP, type Environment } from '../conditions/environment.js';
import { PageSession } from '../../parts/page-session.js';
import { printNumber } from '../../base/number.js';

/** The computed value of a declaration on one element with a font size of 20 px. */
function computed(property: string, value: string, environment: Environment = DESKTOP): string {
  const page = pageOf('<div id="t" data-n="7">x</div>', `#t { font-size: 20px; ${property}: ${value} }`);
  const [element] = selectAll(page.tree, '#t');
  return page.stylesFor(environment).at().of(element!).text(property);
}

describe('numbers', () => {
  it('are printed with six significant digits', () => {
    expect([0, -0, 1, 0.1 + 0.2, 1 / 3, 123456.789, 1e7, 1e-7, -2.5].map(printNumber)).toEqual([
      '0',
      '0',
      '1',
      '0.3',
      '0.333333',
      '123457',
      '1e+07',
      '1e-07',
      '-2.5',
    ]);
  });

  it('keep six digits of any number', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (value) => {
        const back = Number(printNumber(value));
        expect(Math.abs(back - value)).toBeLessThanOrEqual(Math.max(1e-11, Math.abs(value) * 5.01e-6));
      }),
    );
  });
});

// Source: CSS Values and Units 4, sections 10.1 to 10.12; serialisation as Chromium gives it.
describe('calculations', () => {
  it.each([
    ['width', 'calc(10px + 2em)', '50px'],
    ['width', 'calc((1px + 2px) * 3 / 2)', '4.5px'],
    ['width', 'calc(2em / 1em * 10px)', '20px'],
    ['width', 'calc(50% + 2em - 10px)', 'calc(50% + 30px)'],
    ['width', 'calc(100% - 0px)', '100%'],
    ['width', 'min(50%, 300px)', 'min(50%, 300px)'],
    ['width', 'max(10px, 2em)', '40px'],
    ['width', 'clamp(10px, 1px, 20px)', '10px'],
    ['width', 'clamp(20px, 15px, 10px)', '20px'],
    ['width', 'clamp(none, 30px, 20px)', '20px'],
    ['width', 'round(12.3px, 5px)', '10px'],
    ['width', 'round(up, 12.3px, 5px)', '15px'],
    ['width', 'mod(18px, 5px)', '3px'],
    ['margin-left', 'mod(-18px, 5px)', '2px'],
    ['margin-left', 'rem(-18px, 5px)', '-3px'],
    ['width', 'hypot(3px, 4px)', '5px'],
    ['margin-left', 'calc(sign(-2px) * 3px)', '-3px'],
    ['width', 'calc(1px * pow(2, 3))', '8px'],
    ['width', 'calc(1px * sqrt(16))', '4px'],
    ['rotate', 'atan2(1px, 1px)', '45deg'],
    ['width', 'calc(1px * sin(90deg))', '1px'],
    ['width', 'calc(1px * e)', '2.71828px'],
    ['width', 'calc(-10px)', '0px'],
    ['margin-left', 'calc(-1 * 50%)', '-50%'],
    ['z-index', 'calc(2.5)', '3'],
    ['opacity', 'calc(1 / 3)', '0.333333'],
    ['transform', 'rotate(calc(1turn / 3))', 'rotate(120deg)'],
    ['transition-duration', 'calc(1s + 200ms)', '1.2s'],
  ])('%s: %s', (property, value, expected) => expect(computed(property, value)).toBe(expected));

  it.each([
    ['width', 'calc(10px + 5)'],
    ['width', 'calc(10px * 2px)'],
    ['width', 'calc(10px +5px)'],
    ['width', 'min()'],
  ])('refuse what cannot be mixed: %s: %s', (property, value) => expect(computed(property, value)).toBe('auto'));

  it('add up like the lengths they are made of', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 500 }),
        fc.integer({ min: 0, max: 50 }),
        fc.integer({ min: 0, max: 50 }),
        (a, b, c) => {
          expect(computed('width', `calc(${a}px + ${b}em + ${c}rem)`)).toBe(`${printNumber(a + 20 * b + 16 * c)}px`);
        },
      ),
      { numRuns: 50 },
    );
  });
});

// Source: CSS Values and Units 4, sections 6.1 and 6.2.
describe('units', () => {
  it.each([
    ['1in', '96px'],
    ['2.54cm', '96px'],
    ['25.4mm', '96px'],
    ['101.6q', '96px'],
    ['72pt', '96px'],
    ['6pc', '96px'],
    ['2em', '40px'],
    ['2rem', '32px'],
    ['10vw', '128px'],
    ['10dvh', '80px'],
    ['10vmin', '80px'],
    ['10svmax', '128px'],
    ['5ic', '100px'],
  ])('%s', (value, expected) => expect(computed('width', value)).toBe(expected));

  const withFonts = (measures: KnownMeasures) => {
    const page = new PageSession(
      {
        html: '<!doctype html><style>body { font: 20px/30px Quay; } #t { width: 2ch; height: 2ex; min-width: 1cap; margin-left: 2lh; max-width: 1rlh }</style><p id="t">x</p>',
        address: 'https://page.invalid/',
        sheets: [],
      },
      measures,
    );
    const styles = page.stylesFor();
    return { styles, style: styles.at().of(selectAll(page.tree, '#t')[0]!) };
  };

  it('of the font use its metrics where they are given', () => {
    const { style, styles } = withFonts({
      fonts: { quay: { xHeight: 0.5, zeroAdvance: 0.6, capHeight: 0.7, normalLineHeight: 1.2 } },
    });
    expect(['width', 'height', 'min-width', 'margin-left'].map((name) => style.text(name))).toEqual([
      '24px',
      '20px',
      '14px',
      '60px',
    ]);
    // The root's own family is not in the table.
    expect(style.text('max-width')).toBe('1rlh');
    expect([...styles.unresolvedUnits]).toEqual(['rlh']);
  });

  it('of the font are named as unresolved where they are not', () => {
    const { style, styles } = withFonts({});
    expect(style.text('width')).toBe('2ch');
    // A line height that is set needs no metrics.
    expect(style.text('margin-left')).toBe('60px');
    style.text('height');
    style.text('min-width');
    expect([...styles.unresolvedUnits].sort()).toEqual(['cap', 'ch', 'ex']);
  });
});

// Sources: CSS Color 4, sections 4 to 15, and CSS Color 5, sections 2 to 6; printed values checked with Chromium.
describe('colours', () => {
  it.each([
    ['hsl(200 50% 50% / .3)', 'rgba(64, 149, 191, 0.3)'],
    ['hwb(200 10% 20%)', 'rgb(26, 145, 204)'],
    ['hsl(0.3turn 100% 25%)', 'rgb(26, 128, 0)'],
    ['rgb(300 -20 0)', 'rgb(255, 0, 0)'],
    ['rgb(50.5 60.2 70.7)', 'rgb(51, 60, 71)'],
    ['rgba(none 0 0 / none)', 'rgba(0, 0, 0, 0)'],
    ['#12345678', 'rgba(18, 52, 86, 0.47)'],
    ['oklch(60% .1 200 / 50%)', 'oklch(0.6 0.1 200 / 0.5)'],
    ['oklch(50% -1 400)', 'oklch(0.5 0 40)'],
    ['lab(50 20 -30)', 'lab(50 20 -30)'],
    ['color(srgb 1 0.5 none)', 'color(srgb 1 0.5 none)'],
    ['color(xyz .1 .2 .3)', 'color(xyz-d65 0.1 0.2 0.3)'],
    ['color-mix(in srgb, red 30%, blue)', 'color(srgb 0.3 0 0.7)'],
    ['color-mix(in hsl, red, blue)', 'color(srgb 1 0 1)'],
    ['rgb(from red r g b / 50%)', 'color(srgb 1 0 0 / 0.5)'],
    ['hsl(from #0b5563 h s calc(l + 20))', 'color(srgb 0.0831373 0.642424 0.748235)'],
    ['light-dark(red, blue)', 'rgb(255, 0, 0)'],
    ['CanvasText', 'rgb(0, 0, 0)'],
    ['ThreeDFace', 'rgb(239, 239, 239)'],
  ])('%s', (value, expected) => expect(computed('color', value)).toBe(expected));

  it('follow the colour scheme of the element', () => {
    const dark: Environment = { ...DESKTOP, scheme: 'dark' };
    expect(computed('color', 'light-dark(red, blue); color-scheme: light dark', dark)).toBe('rgb(0, 0, 255)');
    expect(computed('color', 'light-dark(red, blue)', dark)).toBe('rgb(255, 0, 0)');
    expect(computed('background-color', 'Canvas; color-scheme: dark')).toBe('rgb(18, 18, 18)');
  });

  it('put the current colour into a mixture', () => {
    expect(computed('background-color', 'color-mix(in srgb, currentcolor, white); color: black')).toBe(
      'color(srgb 0.5 0.5 0.5)',
    );
  });

  it.each(['rgb(1 2)', 'hsl(a b c)', 'color(nowhere 1 2 3)', 'color-mix(in srgb, red)', 'blu', '#12', '#12345'])(
    'that cannot be read are dropped: %s',
    (value) => expect(computed('color', value)).toBe('rgb(0, 0, 0)'),
  );
});

// Sources: the definition tables of CSS Backgrounds 3, Images 4, Transforms 1 and 2, Filter Effects 1, Fonts 4.
describe('computed values', () => {
  it.each([
    [
      'background-image',
      'linear-gradient(to bottom, red, blue 2em)',
      'linear-gradient(rgb(255, 0, 0), rgb(0, 0, 255) 40px)',
    ],
    [
      'background-image',
      'radial-gradient(circle at center, red, blue)',
      'radial-gradient(circle, rgb(255, 0, 0), rgb(0, 0, 255))',
    ],
    [
      'background-image',
      'conic-gradient(from .25turn at left 20%, red 10deg 20deg, blue)',
      'conic-gradient(from 90deg at 0% 20%, rgb(255, 0, 0) 10deg, rgb(255, 0, 0) 20deg, rgb(0, 0, 255))',
    ],
    ['background-image', 'url(a.png)', 'url("https://page.invalid/a.png")'],
    ['background-position-x', 'right 10px', 'calc(100% - 10px)'],
    ['background-size', '2em', '40px auto'],
    ['background-repeat', 'repeat no-repeat', 'repeat-x'],
    ['box-shadow', '0 2px 4px red, inset 1em 0', 'rgb(255, 0, 0) 0px 2px 4px 0px, rgb(0, 0, 0) 20px 0px 0px 0px inset'],
    [
      'filter',
      'drop-shadow(1px 1px red) opacity(50%) blur()',
      'drop-shadow(rgb(255, 0, 0) 1px 1px 0px) opacity(0.5) blur(0px)',
    ],
    ['transform', 'translate(0, 2em) scale(150%)', 'translate(0px, 40px) scale(1.5)'],
    ['transform-origin', 'left 10px', '0% 10px'],
    ['font-family', 'Foo Bar, "A b", serif', '"Foo Bar", "A b", serif'],
    ['font-stretch', 'condensed', '75%'],
    ['line-height', '150%', '30px'],
    ['line-height', '1.5', '30px'],
    ['letter-spacing', '0', 'normal'],
    ['aspect-ratio', '16/9', '16 / 9'],
    ['transition-timing-function', 'step-end, steps(4, start)', 'steps(1), steps(4, start)'],
    ['content', '"a" attr(data-n) "b"', '"a7b"'],
    ['border-top-left-radius', '1em 50%', '20px 50%'],
    ['border-top-width', '1.9px; border-top-style: solid', '1px'],
    ['border-top-width', '.2px; border-top-style: solid', '1px'],
    ['border-top-width', '5px', '0px'],
    ['overflow-x', 'visible; overflow-y: hidden', 'auto'],
    ['display', 'inline; position: absolute', 'block'],
    ['float', 'left; position: fixed', 'none'],
  ])('%s: %s', (property, value, expected) => expect(computed(property, value)).toBe(expected));

  // Chromium's answer to a lone `monospace`, which every style sheet reset works around.
  it('make text smaller in a lone monospace family only', () => {
    const page = pageOf('<pre id="a">x</pre><pre id="b" style="font-family: monospace, monospace">x</pre>', '');
    const size = (selector: string) => page.stylesFor().at().of(selectAll(page.tree, selector)[0]!).text('font-size');
    expect([size('#a'), size('#b')]).toEqual(['13px', '16px']);
  });
});
