import { describe, expect, test } from '@jest/globals';
import { BEHAVIOURS } from '../component/behaviours/index.js';
import { kindNamed } from '../component/kinds/index.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { pageOf } from '../testing/page.js';
import { ComponentSession } from './component-session.js';
import { giveBehaviour } from './given-behaviour.js';

function give(kind: string, name: string, body: string) {
  const page = pageOf(`<!doctype html><title>Quay</title><main>${body}</main>`, '');
  const root = selectAll(page.tree, 'main > *')[0]!;
  const session = new ComponentSession(page, kind, locatorFor(root, 'main > :first-child'));
  const behaviour = BEHAVIOURS.find((own) => own.name === name)!;
  expect(kindNamed(kind)!.behaviours).toContain(behaviour);
  return giveBehaviour(page.source.html, session.element, session.parts, behaviour);
}
const html = (...asked: Parameters<typeof give>): string => {
  const given = give(...asked);
  if ('problem' in given) throw new Error(given.problem);
  return given.html;
};

describe('a component of the page is given', () => {
  test('messages in turn, with the buttons that it lacks', () => {
    const bar = '<aside class="notice-bar"><ul><li>One</li><li>Two</li></ul><button class="close">×</button></aside>';
    const given = html('announcement', 'notices', bar);
    expect(given).toContain('<ul data-list="">');
    expect(given).toContain('<button class="close" data-do="close">');
    expect(given).toContain('data-do="pause"');
    expect(given).toMatch(/<rq-notices hidden=""><\/rq-notices><\/aside>$/);
  });

  test('and keeps the buttons that it has', () => {
    const bar =
      '<aside class="notice-bar"><ul><li>One</li><li>Two</li></ul><button class="prev">a</button><button class="next">b</button><button class="pause">c</button></aside>';
    const given = html('announcement', 'notices', bar);
    expect(given).toContain('<button class="prev" data-do="previous">');
    expect(given).toContain('<button class="next" data-do="next">');
    expect(given.match(/data-do="pause"/g)).toHaveLength(1);
  });

  test('messages that stand among other things are put into a list of their own, and all of them are there', () => {
    const bar =
      '<aside class="notice-bar"><button class="prev">a</button><p>One</p><p hidden>Two</p><button class="next">b</button><button class="close">c</button></aside>';
    const given = html('announcement', 'notices', bar);
    expect(given).toContain(
      '</button><div data-list=""><p>One</p><p>Two</p></div><button class="next" data-do="next">',
    );
    expect(given.match(/data-do="previous"/g)).toHaveLength(1);
    // Where the arrows are.
    expect(given).toContain('data-do="next">b</button><div class="rq-turns"><button type="button" class="pause"');
  });

  test('counting down, from the names of its units in any language', () => {
    const pair = (number: string, unit: string) => `<div><b>${number}</b><small>${unit}</small></div>`;
    const given = html(
      'countdown',
      'countdown',
      `<div class="countdown">${pair('3', 'Tage')}${pair('12', 'Stunden')}</div>`,
    );
    expect(given).toContain('<div data-count="days"><b>3</b>');
    expect(given).toContain('<div data-count="hours"><b>12</b>');
    const flat = html(
      'countdown',
      'countdown',
      '<div class="countdown"><b>3</b> <small>days</small> <b>12</b> <small>hours</small></div>',
    );
    expect(flat).toContain('<b data-count="days">3</b> <small data-unit="days">');
  });

  test('consent, by its own buttons', () => {
    const notice =
      '<section class="cookie-notice"><p>Cookies?</p><button class="accept">Accept</button><button class="refuse">Refuse</button></section>';
    const given = html('cookie-notice', 'consent', notice);
    expect(given).toContain('<button class="accept" data-choice="all">');
    expect(given).toContain('<button class="refuse" data-choice="none">');
  });

  test('nothing else of its markup is touched', () => {
    const dialog =
      '<dialog class="d" open data-x="&quot;"><h2>Hello</h2><p>A &amp; b<br>c</p><img src="a.png" alt=""></dialog>';
    const given = html('dialog', 'appear', dialog);
    expect(given.replace('<rq-appear hidden=""></rq-appear>', '')).toBe(dialog.replace(' open ', ' open="" '));
  });

  test.each([
    ['announcement', 'notices', '<aside class="notice-bar"><p>One alone</p></aside>', 'two messages'],
    ['countdown', 'countdown', '<div class="countdown"><b>3</b></div>', 'names of units'],
    ['ticker', 'ticker', '<div class="ticker"><p>Words</p></div>', 'two items'],
    ['dialog', 'appear', '<dialog class="d"><p>a</p><rq-appear></rq-appear></dialog>', 'already'],
  ])('a %s that has nothing for %s says what it lacks', (kind, name, body, words) => {
    expect(give(kind, name, body)).toEqual({ problem: expect.stringContaining(words) });
  });
});
