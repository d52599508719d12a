import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { mediaFor, environmentCases } from '../handover/environments.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { PageSession } from '../parts/page-session.js';
import { solve } from '../remedy/solve.js';
import { Remedies } from '../remedy/remedies.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';
import { EMPTY_LOOK, settingKey, type Look, type Setting, type When } from './model.js';

// Media Queries 5, 12.1: prefers-reduced-motion; WCAG 2.2, 2.3.3: motion that an interaction sets off can be switched off.

const REST: When = { states: [] };
const STILL: When = { states: [], motion: 'reduced' };
const setting = (property: string, value: string, when: When = REST): Setting => ({
  ...{ part: 'button', property, when, value },
});
const lookOf = (...settings: Setting[]): Look => ({ ...EMPTY_LOOK, settings });

const sessionOn = (page: PageSession): ComponentSession =>
  new ComponentSession(page, 'button', locatorFor(selectAll(page.tree, '.go')[0]!, '.go'));
const GO = '.go { padding: 8px 16px; background: #14506a; color: #fff }';
const pageWith = (css: string): PageSession => pageOf('<main><button class="go">Go</button></main>', `${GO} ${css}`);

/** A value on the page with the handover, for those who ask for less motion and for all others. */
function handedOver(css: string, look: Look, property: string): { full: string; less: string; proven: boolean } {
  const page = pageWith(css);
  const { css: text, proof } = sessionOn(page).handover(look, 'Go', []);
  const sheet = { address: 'https://page.invalid/look.css', text };
  const live = new PageSession({ ...page.source, more: [sheet] });
  const [element] = selectAll(live.tree, '.go');
  const valueIn = (reducedMotion: boolean) =>
    live
      .stylesFor({ ...DESKTOP, reducedMotion })
      .at()
      .of(element!)
      .text(property);
  return { full: valueIn(false), less: valueIn(true), proven: proof.failures.length === 0 };
}

describe('settings for those who ask for less motion', () => {
  const look = lookOf(setting('transition-duration', '0.3s'), setting('transition-duration', '0s', STILL));

  it('hold for them alone', () => {
    expect(handedOver('', look, 'transition-duration')).toEqual({ full: '0.3s', less: '0s', proven: true });
  });
  it('hold for any property', () => {
    const own = lookOf(setting('color', 'rgb(1, 2, 3)', STILL));
    expect(handedOver('', own, 'color')).toEqual({ full: 'rgb(255, 255, 255)', less: 'rgb(1, 2, 3)', proven: true });
  });
  it('win over what the site says for them', () => {
    const css = '@media (prefers-reduced-motion: reduce) { .go { transition-duration: 2s !important } }';
    expect(handedOver(css, look, 'transition-duration')).toEqual({ full: '0.3s', less: '0s', proven: true });
  });
  it('are cells of their own, beside those that are stored without', () => {
    const [full, still] = look.settings;
    expect(settingKey(full!)).toBe('button||transition-duration||||');
    expect(settingKey(still!)).toBe('button||transition-duration|||||reduced');
  });
  it('show in the sheet what they follow where they are not', () => {
    const session = sessionOn(pageWith(''));
    const request = {
      environment: { ...DESKTOP, reducedMotion: true },
      place: { motion: 'reduced' as const },
      whole: ['button'],
    };
    const cellUnder = (own: Look) =>
      session
        .sheet(own, request)
        .rows.find(({ row }) => row.key === 'transition-duration')!
        .cells.find(({ column }) => column === 'default')!;
    const followed = cellUnder(lookOf(setting('transition-duration', '0.3s')));
    expect([followed.computed, followed.followsPlace]).toEqual(['0.3s', 'full-motion']);
    const own = cellUnder(look);
    expect([own.own, own.followsPlace]).toEqual(['0s', undefined]);
  });
});

describe('what a site says for those who ask for less motion', () => {
  const look = lookOf(setting('transition-duration', '0.3s'), setting('color', 'rgb(1, 2, 3)'));

  it.each([
    [
      'a rule for all that is there',
      '@media (prefers-reduced-motion: reduce) { * { transition: none !important } }',
      '0s',
    ],
    ['a rule of no weight', '@media (prefers-reduced-motion) { button { transition-duration: 10ms } }', '0.01s'],
    ['a rule for all others', '@media (prefers-reduced-motion: no-preference) { .go { transition: color 2s } }', '0s'],
  ])('stays under a look that says nothing for them: %s', (_name, css, less) => {
    expect(handedOver(css, look, 'transition-duration')).toEqual({ full: '0.3s', less, proven: true });
    // What does not move is theirs as it is everybody's.
    expect(handedOver(css, look, 'color')).toMatchObject({ full: 'rgb(1, 2, 3)', less: 'rgb(1, 2, 3)' });
  });
});

describe('queries of environments', () => {
  const all = environmentCases([], DESKTOP, { widths: [599], scheme: true, motion: true });
  it('tell apart no more than is asked', () => {
    expect(all).toHaveLength(8);
    expect(
      mediaFor(
        all.filter(({ reduced }) => reduced),
        all,
      ),
    ).toEqual(['(prefers-reduced-motion: reduce)']);
    expect(
      mediaFor(
        all.filter(({ scheme }) => scheme === 'dark'),
        all,
      ),
    ).toEqual(['(prefers-color-scheme: dark)']);
    expect(
      mediaFor(
        all.filter(({ from }) => from === 0),
        all,
      ),
    ).toEqual(['(width < 600px)']);
    expect(
      mediaFor(
        all.filter(({ scheme, reduced }) => scheme === 'dark' && reduced),
        all,
      ),
    ).toEqual(['(prefers-color-scheme: dark) and (prefers-reduced-motion: reduce)']);
    expect(mediaFor(all, all)).toEqual(['']);
  });
});

describe('motion that an interaction sets off', () => {
  const css = '.go { transition: transform .3s } .go:hover { transform: translateY(-4px) }';
  const viewports = [{ name: 'wide', environment: DESKTOP }];
  const request = { viewports, level: 'AAA' as const };
  const checkUnder = (session: ComponentSession, look: Look) =>
    session
      .ledger(look, request)
      .find(({ demand, column }) => demand === 'button-reduced-motion' && column === 'hover');

  it('is offered to keep still, and passes where it does', () => {
    const session = sessionOn(pageWith(css));
    const before = checkUnder(session, EMPTY_LOOK)!;
    expect([before.criterion, before.verdict]).toEqual(['2.3.3', 'short']);
    const [remedy] = new Remedies(session, EMPTY_LOOK, { ...request, at: 'wide' }).propose(before);
    expect(remedy!.settings.every(({ when }) => when.motion === 'reduced')).toBe(true);
    const look = lookOf(...remedy!.settings);
    expect(checkUnder(session, look)!.verdict).toBe('passes');
    // Asked again of the look before, it is as it was.
    expect(checkUnder(session, EMPTY_LOOK)!.verdict).toBe('short');
    const after = handedOver(css, look, 'transition-duration');
    expect(after.proven).toBe(true);
  });
  it('is none where a look takes the motion away for all', () => {
    const session = sessionOn(pageWith(css));
    expect(checkUnder(session, lookOf(setting('transition-duration', '0s')))).toBeUndefined();
  });
  it('is left as it is at levels A and AA', () => {
    const session = sessionOn(pageWith(css));
    const solved = solve(session, EMPTY_LOOK, { of: 'component' }, { viewports, at: 'wide' });
    expect(solved.settings.filter(({ when }) => when.motion)).toEqual([]);
  });
});
