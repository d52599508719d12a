import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { ComponentSession } from '../../session/component-session.js';
import { pageOf } from '../../testing/page.js';
import { EMPTY_LOOK, type Look } from '../../look/model.js';
import { DESKTOP } from '../conditions/environment.js';
import { forceStates } from '../selector/forced.js';
import { selectAll } from '../selector/locator.js';
import { VISITED } from '../selector/states.js';
import { PageStyles } from './page-styles.js';

const MENU = '<nav class="m"><a href="#1">One</a> <a href="#2">Two</a></nav>';

/** Values of the first link, unvisited and visited. */
function link(css: string, html = MENU, selector = 'a') {
  const page = pageOf(html, css);
  const [element] = selectAll(page.tree, selector);
  const [first] = selectAll(page.tree, 'a');
  const styles = new PageStyles(page.index, DESKTOP);
  const at = (bits: number) => styles.at(bits ? forceStates([[first!, bits]]) : undefined).of(element!);
  return { unvisited: at(0), visited: at(VISITED) };
}

// What rules for visited links may set: CSS 2.1, section 5.11.2, and Selectors 4, section 8.1, leave it to browsers; the
// list is of Chromium's source, from memory, and is compared with its pixels end to end.
describe('a visited link', () => {
  it('takes colours from its rules, and nothing else', () => {
    const { visited } = link(
      'a { color: navy; font-weight: 400; --x: 1px } a:visited { color: teal; background-color: #eee; font-weight: 700; --x: 9px; text-decoration-line: none }',
    );
    expect(visited.text('color')).toBe('rgb(0, 128, 128)');
    expect(visited.text('font-weight')).toBe('400');
    expect(visited.text('text-decoration-line')).toBe('underline');
    expect(visited.text('--x')).toBe('1px');
    // No ground at rest: the visited one would be as transparent.
    expect(visited.colour('background-color').alpha).toBe(0);
  });

  it('keeps all that rules for unvisited links say but colours', () => {
    const { visited } = link('a:link { color: navy; font-weight: 700 } a { color: olive }');
    expect(visited.text('font-weight')).toBe('700');
    expect(visited.text('color')).toBe('rgb(128, 128, 0)');
  });

  it('hands its colour to what stands in it', () => {
    const { visited } = link(
      'a { color: navy } a:visited { color: teal } a:visited b { border: 1px solid; border-top-color: red }',
      '<a href="#"><b>x</b></a>',
      'b',
    );
    expect(visited.text('color')).toBe('rgb(0, 128, 128)');
    expect(visited.text('border-top-width')).toBe('0px');
  });

  it('is as opaque as where it was not visited, for any two colours', () => {
    const colour = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255), fc.constantFrom(0, 0.25, 0.5, 1));
    fc.assert(
      fc.property(colour, colour, ([r, g, b, a], [vr, vg, vb, va]) => {
        const css = `a { color: rgb(${r} ${g} ${b} / ${a}) } a:visited { color: rgb(${vr} ${vg} ${vb} / ${va}) }`;
        const { unvisited, visited } = link(css);
        const [from, to] = [unvisited.colour('color'), visited.colour('color')];
        expect(to.alpha).toBeCloseTo(from.alpha, 2);
        expect([to.r, to.g, to.b].map((part) => Math.round(part * 255))).toEqual([vr, vg, vb]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('a look over visited links', () => {
  const sessionOf = (css: string) => {
    const page = pageOf(MENU, css);
    const found = page.components().find(({ kind }) => kind === 'menu');
    return new ComponentSession(page, found!.kind, found!.locator);
  };
  const dark: Look = {
    ...EMPTY_LOOK,
    settings: [{ part: 'link', property: 'color', value: '#ffffff', when: { states: [] } }],
  };
  const columns = (css: string) =>
    sessionOf(css)
      .columnsOfParts(EMPTY_LOOK)
      .find(({ part }) => part.part.name === 'link')!
      .columns.map(({ name }) => name);

  it('has a column where the site’s sheets name them, and none where only the browser’s does', () => {
    expect(columns('nav.m a { color: navy } nav.m a:visited { color: purple }')).toContain('visited');
    expect(columns('nav.m a:visited:hover { color: purple }')).toContain('visited+hover');
    expect(columns('nav.m a:link { color: navy }')).toContain('visited');
    expect(columns('nav.m a { color: navy }')).not.toContain('visited');
  });

  it('is proven there too, at whatever weight the site has', () => {
    const heavy = 'nav.m a { color: navy } :root nav.m.m.m a:visited { color: #222 }';
    const session = sessionOf(heavy);
    const { proof, css } = session.handover({
      ...dark,
      settings: [
        ...dark.settings,
        { part: 'link', property: 'color', value: '#ffeedd', when: { states: [{ part: 'link', state: 'visited' }] } },
      ],
    });
    expect(proof.failures).toEqual([]);
    expect(css).toContain(':visited');
    const before = sessionOf('nav.m a { color: navy }').handover(dark).proof.compared;
    expect(proof.compared).toBeGreaterThan(before);
  });

  it('shows and hands over what the site says of them, where the look says nothing', () => {
    const session = sessionOf('nav.m a { color: navy } nav.m a:visited { color: #222 }');
    expect(session.handover(dark).proof.failures).toEqual([]);
    const seen = session.seenUnder(dark, 'link', 'visited');
    expect(seen.style.text('color')).toBe('rgb(34, 34, 34)');
  });

  it('goes before the browser’s own red of pressed links, and is no browser’s colour anywhere', () => {
    const session = sessionOf('nav.m { background: #123 }');
    const { proof, css } = session.handover(dark);
    expect(proof.failures).toEqual([]);
    expect(css).not.toContain('revert');
    for (const state of ['pressed', 'visited', 'hover'])
      expect(session.seenUnder(dark, 'link', state).style.text('color')).toBe('rgb(255, 255, 255)');
  });

  it('goes before the browser’s own colour of them', () => {
    const session = sessionOf('nav.m { background: #123 } nav.m a:link { color: #fff }');
    const { proof, css } = session.handover(dark);
    expect(proof.failures).toEqual([]);
    expect(css).not.toContain('revert');
    expect(session.seenUnder(dark, 'link', 'visited').style.text('color')).toBe('rgb(255, 255, 255)');
  });
});
