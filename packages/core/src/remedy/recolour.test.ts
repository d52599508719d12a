import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { parseColour } from '../colour/parse.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { EMPTY_LOOK, type Look } from '../look/model.js';
import { coloursIn, isMeant, swapIn, type ColourSwap } from '../palette/in-value.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';
import { recolour, swapPlaceKey, type Swapping } from './recolour.js';
import type { View } from './settle.js';

const VIEWS: readonly View[] = [
  { environment: { ...DESKTOP, ...VIEWPORTS.wide }, place: {} },
  { environment: { ...DESKTOP, ...VIEWPORTS.narrow }, place: { viewport: 'narrow' } },
  { environment: { ...DESKTOP, scheme: 'dark' }, place: { scheme: 'dark' } },
];
const BLUE = parseColour('#0b5563')!;
const BARE = { before: EMPTY_LOOK, look: EMPTY_LOOK };
const swap: ColourSwap = { from: BLUE, to: '#8a1c1c' };

const swapColour = (
  session: ComponentSession,
  swapping: Swapping,
  other: ColourSwap,
  views: readonly View[],
  only?: ReadonlySet<string>,
) => recolour(session, swapping, (style, property) => swapIn(style.text(property), other), views, only);

const sessionOf = (body: string, css: string, kind: string): ComponentSession => {
  const page = pageOf(body, css);
  const found = page.components().find((own) => own.kind === kind)!;
  return new ComponentSession(page, kind, found.locator);
};

const SHOWN = ['color', 'background-color', 'background-image', 'box-shadow'];

/** Every colour that a component shows, in each part, member, state and view. */
function shown(session: ComponentSession, look: Look): string[] {
  const list: string[] = [];
  for (const [i, view] of VIEWS.entries())
    for (const { part, columns } of session.columnsOfParts(look, view))
      for (const column of columns)
        for (const { style, members } of session.groupsSeenUnder(look, part.part.name, column.name, view)) {
          const isEdged = Number.parseFloat(style.text('border-top-width')) > 0;
          for (const property of isEdged ? [...SHOWN, 'border-top-color'] : SHOWN)
            for (const { order } of members)
              list.push(`${i} ${part.part.name} ${order} ${column.name} ${property} ${style.text(property)}`);
        }
  return list;
}
const have = (list: readonly string[], wanted: Pick<ColourSwap, 'from' | 'near'>) =>
  list.filter((text) => coloursIn(text).some(({ colour }) => isMeant(wanted, colour)));

describe('colours in values', () => {
  it.each([
    ['#0b5563', '#8a1c1c'],
    ['rgb(11, 85, 99)', '#8a1c1c'],
    ['rgba(11, 85, 99, 0.4)', '#8a1c1c66'],
    ['linear-gradient(90deg, rgb(11, 85, 99), red 40%)', 'linear-gradient(90deg, #8a1c1c, red 40%)'],
    ['1px 2px rgb(11 85 99), 0 0 2px #0B5563', '1px 2px #8a1c1c, 0 0 2px #8a1c1c'],
    ['url(#0b5563) "#0b5563"', undefined],
    ['rgba(11, 85, 99, 0)', undefined],
    ['#0c5664', undefined],
  ])('%s', (value, wanted) => {
    expect(swapIn(value, swap)).toBe(wanted);
  });

  it('become swatches, with the opacity that they had', () => {
    const to = { ...swap, to: 'swatch(quay)' };
    expect(swapIn('0 1px 2px rgba(11, 85, 99, 0.4)', to)).toBe('0 1px 2px swatch(quay / 40%)');
    expect(swapIn('#0c5664', { ...to, near: true })).toBe('swatch(quay)');
  });
});

describe('one colour in place of another in a component', () => {
  const css = `.btn { display: inline-block; padding: 9px; color: #fff; background: #0b5563; border: 2px solid #0b5563;
      box-shadow: 0 1px 4px rgb(11 85 99 / 50%); outline: 3px none #0b5563 }
    .btn:hover { color: #0b5563; background: #fff } .btn:active { background: linear-gradient(#0b5563, #123) }
    @media (max-width: 600px) { .btn:focus-visible { color: #0b5563 } }
    @media (prefers-color-scheme: dark) { .btn { color: #0b5563; background: #eee } }`;

  it('is put wherever it is seen: hover, lines, shadows, gradients, narrow screens and the dark scheme', () => {
    const session = sessionOf('<p>Words <a class="btn" href="#">Board</a></p>', css, 'button');
    const before = shown(session, EMPTY_LOOK);
    const { look, places } = swapColour(session, BARE, swap, VIEWS);
    const after = shown(session, look);
    expect(have(after, swap)).toEqual([]);
    // What had another colour has it still.
    const others = before.filter((text) => !have([text], swap).length);
    expect(others.filter((text) => !after.includes(text))).toEqual([]);
    expect(new Set(places.map(({ property }) => property))).toEqual(
      new Set([
        'color',
        'background-color',
        'background-image',
        'box-shadow',
        ...['top', 'right', 'bottom', 'left'].map((side) => `border-${side}-color`),
      ]),
    );
    // An outline that is not drawn is left alone.
    expect(look.settings.some(({ property }) => property === 'outline-color')).toBe(false);
  });

  it('is put in chosen places alone', () => {
    const session = sessionOf('<p>Words <a class="btn" href="#">Board</a></p>', css, 'button');
    const only = new Set([swapPlaceKey({ part: 'button', property: 'background-color' })]);
    const { look } = swapColour(session, BARE, swap, VIEWS, only);
    expect(new Set(look.settings.map(({ property }) => property))).toEqual(new Set(['background-color']));
  });

  it('is that of the members that have it, and of no others', () => {
    const list = ['a', 'b', 'c', 'd'].map((name) => `<li><a class="${name}" href="#${name}">${name}</a></li>`).join('');
    const session = sessionOf(
      `<nav><ul>${list}</ul></nav>`,
      'nav a { color: #333 } .b, .c { color: #0b5563 } .d { color: #0b5564 } .b:hover { color: #0b5563 } a:hover { color: green }',
      'menu',
    );
    const before = shown(session, EMPTY_LOOK);
    const { look } = swapColour(session, BARE, swap, VIEWS);
    const after = shown(session, look);
    expect(look.exceptions.map(({ members }) => members)).toContainEqual(['.b', '.c']);
    expect(have(after, swap)).toEqual([]);
    expect(before.filter((text) => !have([text], swap).length && !after.includes(text))).toEqual([]);
    expect(swapColour(session, { before: look, look }, swap, VIEWS).look).toBe(look);
  });

  it('leaves nothing of it behind and touches nothing else, whatever the sheet says', () => {
    const colour = fc.constantFrom(
      '#0b5563',
      'rgb(11 85 99 / 60%)',
      '#fff',
      '#0c5563',
      'currentcolor',
      'inherit',
      'red',
    );
    const state = fc.constantFrom('', ':hover', ':focus-visible', ':active', ':hover:active');
    const rule = fc.record({
      who: fc.constantFrom('.a', '.b', '.row a', '.row', 'body'),
      state,
      property: fc.constantFrom('color', 'background', 'border-top', 'box-shadow'),
      colour,
      query: fc.constantFrom('', '@media (max-width: 600px)', '@media (prefers-color-scheme: dark)'),
    });
    const prefix: Record<string, string> = { 'border-top': '1px solid ', 'box-shadow': '0 0 2px ' };
    fc.assert(
      fc.property(fc.array(rule, { minLength: 1, maxLength: 8 }), (rules) => {
        const sheet = rules
          .map(({ who, state: own, property, colour: css, query }) => {
            const text = `${who}${own} { ${property}: ${prefix[property] ?? ''}${css} }`;
            return query ? `${query} { ${text} }` : text;
          })
          .join('\n');
        const body =
          '<nav class="row"><a class="a" href="#1">One</a> <a class="b" href="#2">Two</a> <a class="b" href="#3">Three</a></nav>';
        const session = sessionOf(body, sheet, 'menu');
        const before = shown(session, EMPTY_LOOK);
        const { look } = swapColour(session, BARE, swap, VIEWS);
        const after = shown(session, look);
        expect(have(after, swap)).toEqual([]);
        const lost = before.filter((text) => !have([text], swap).length && !after.includes(text));
        expect(lost).toEqual([]);
      }),
      {
        numRuns: 100,
        // What is hovered around the component has a say in parts that no rule speaks of in hover.
        examples: [
          [
            [
              { who: 'body', state: '', property: 'color', colour: '#0b5563', query: '' },
              { who: 'body', state: ':hover', property: 'color', colour: '#fff', query: '' },
              { who: '.a', state: '', property: 'color', colour: 'currentcolor', query: '' },
              { who: '.a', state: '', property: 'color', colour: '#0b5563', query: '@media (max-width: 600px)' },
            ],
          ],
        ],
      },
    );
  });
});
