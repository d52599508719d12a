import { describe, expect, test } from '@jest/globals';
import { press, stage } from '../testing/stage.js';
import { appear, isOnPage } from './appear.js';

const HTML = '<section id="news"><p>News</p><button data-do="close">×</button></section><a href="#news">News</a>';
const DAY = 864e5;

const begin = (values: Record<string, string>, more: Parameters<typeof stage>[1] = {}) => {
  const on = stage(HTML, { at: Date.UTC(2027, 0, 1), ...more });
  on.set(values);
  return { ...on, running: appear(on.host, on.around) };
};
const again = (on: ReturnType<typeof begin>) => {
  on.running.stop();
  on.running = appear(on.host, on.around);
  return !on.host.hidden;
};

describe('what appears', () => {
  test('comes at once, after a while, or when it is asked for', () => {
    expect(begin({}).host.hidden).toBe(false);
    const later = begin({ appear: 'after', 'appear-after': '3s' });
    later.go(2999);
    expect(later.host.hidden).toBe(true);
    later.go(1);
    expect(later.host.hidden).toBe(false);
    const pressed = begin({ appear: 'pressed' });
    expect(pressed.host.hidden).toBe(true);
    press(pressed.document.querySelector('a'));
    expect(pressed.host.hidden).toBe(false);
    expect(pressed.document.activeElement).toBe(pressed.host.querySelector('button'));
    press(pressed.host.querySelector('button'));
    expect(pressed.host.hidden).toBe(true);
    expect(pressed.document.activeElement).toBe(pressed.document.querySelector('a'));
  });

  test('on leaving: when the pointer goes out at the top', () => {
    const { host, window, document } = begin({ appear: 'leaving' });
    const out = (clientY: number, relatedTarget: Element | null) =>
      document.body.dispatchEvent(new window.MouseEvent('mouseout', { bubbles: true, clientY, relatedTarget }));
    out(5, null);
    out(-1, document.body);
    expect(host.hidden).toBe(true);
    out(-1, null);
    expect(host.hidden).toBe(false);
  });

  test('closed on another page, it is gone here too when one goes back to it', () => {
    const [first, second] = [begin({ again: 'never' }), begin({ again: 'never' })];
    press(second.host.querySelector('button'));
    const { localStorage } = first.window;
    for (const [key, value] of Object.entries(second.window.localStorage)) localStorage.setItem(key, value as string);
    first.show(false);
    expect(first.host.hidden).toBe(false);
    first.show(true);
    expect(first.host.hidden).toBe(true);
    // What comes each time is still there.
    const always = begin({});
    always.show(true);
    expect(always.host.hidden).toBe(false);
  });

  test('closed, it stays away as long as it is told to', () => {
    const closed = (values: Record<string, string>) => {
      const on = begin(values);
      press(on.host.querySelector('button'));
      expect(on.host.hidden).toBe(true);
      return on;
    };
    expect(again(closed({}))).toBe(true);
    expect(again(closed({ again: 'never' }))).toBe(false);
    expect(again(closed({ again: 'next-visit' }))).toBe(false);
    const days = closed({ again: 'after-days', 'again-days': '3' });
    days.go(3 * DAY - 1);
    expect(again(days)).toBe(false);
    days.go(1);
    expect(again(days)).toBe(true);
  });

  test('other words are another thing to close', () => {
    const on = begin({ again: 'never' });
    on.host.removeAttribute('id');
    on.running.stop();
    on.running = appear(on.host, on.around);
    press(on.host.querySelector('button'));
    on.host.querySelector('p')!.textContent = 'Other news';
    expect(again(on)).toBe(true);
  });

  test('comes on its pages and between its dates only', () => {
    expect(begin({ pages: '"/ /booking*"' }, { url: 'https://page.invalid/booking/7' }).host.hidden).toBe(false);
    expect(begin({ pages: '"/ /booking*"' }, { url: 'https://page.invalid/islands' }).host.hidden).toBe(true);
    expect(begin({ from: '"2027-01-02"' }).host.hidden).toBe(true);
    expect(begin({ from: '"2026-12-31"', to: '"2027-01-02"' }).host.hidden).toBe(false);
    expect(begin({ to: '"2027-01-01"' }).host.hidden).toBe(true);
  });

  test('Escape closes it', () => {
    const { host, window } = begin({});
    host.dispatchEvent(new window.KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    expect(host.hidden).toBe(true);
  });

  test('patterns of pages are taken by the letter, but for the star', () => {
    expect(isOnPage('/a.html', '/a.html')).toBe(true);
    expect(isOnPage('/axhtml', '/a.html')).toBe(false);
    expect(isOnPage('/a', '')).toBe(false);
    expect(isOnPage('/islands/rock', '/ /islands/…')).toBe(true);
    expect(isOnPage('/x/(y)+', '/x/(y)+')).toBe(true);
  });

  test('where nothing can be stored it comes again, and nothing breaks', () => {
    const on = begin({ again: 'never' });
    Object.defineProperty(on.window, 'localStorage', {
      get: () => {
        throw new Error('SecurityError');
      },
    });
    press(on.host.querySelector('button'));
    expect(again(on)).toBe(true);
  });
});
