import { describe, expect, test } from '@jest/globals';
import { press, stage } from '../testing/stage.js';
import { notices } from './notices.js';

const HTML = `<section><ul><li>One</li><li>Two <a href="#a">more</a></li><li>Three</li></ul>
<button data-do="previous">‹</button><button data-do="pause">Stop</button><button data-do="next">›</button></section>`;

const begin = (values: Record<string, string> = {}, html = HTML, isCalm = false) => {
  const on = stage(html);
  on.set(values);
  if (isCalm) on.askForLessMotion();
  const running = notices(on.host, on.around);
  return { ...on, running, now: () => on.host.querySelector('[data-at=now]')?.textContent };
};
const button = (host: Element, name: string) => host.querySelector<HTMLElement>(`[data-do=${name}]`)!;

/** After the carousel pattern of the ARIA Authoring Practices Guide. */
describe('notices in turn', () => {
  test('turn by themselves at their pace, round and round', () => {
    const { now, go } = begin({ 'turn-pace': '4s' });
    expect(now()).toBe('One');
    go(3999);
    expect(now()).toBe('One');
    go(1);
    expect(now()).toBe('Two more');
    go(8000);
    expect(now()).toBe('One');
  });

  test('a pace that nobody could read is made slower', () => {
    const { now, go } = begin({ 'turn-pace': '1ms' });
    go(1999);
    expect(now()).toBe('One');
  });

  test('wait while they are focused, and go on when the focus leaves', async () => {
    const { host, now, go, settle } = begin();
    host.querySelector('a')!.focus();
    await settle();
    go(60_000);
    expect(now()).toBe('One');
    host.querySelector('a')!.blur();
    await settle();
    go(6000);
    expect(now()).toBe('Two more');
  });

  test('stop at a press until the next; what is told to screen readers follows', () => {
    const { host, now, go } = begin();
    const list = host.querySelector('ul')!;
    expect(list.getAttribute('aria-live')).toBe('off');
    press(button(host, 'pause'));
    expect(button(host, 'pause').getAttribute('aria-pressed')).toBe('true');
    expect(list.getAttribute('aria-live')).toBe('polite');
    go(60_000);
    expect(now()).toBe('One');
    press(button(host, 'pause'));
    go(6000);
    expect(now()).toBe('Two more');
  });

  test('are turned by hand in both directions', () => {
    const { host, now, go } = begin({ turn: 'by-hand' });
    go(60_000);
    expect(now()).toBe('One');
    expect(button(host, 'pause').hidden).toBe(true);
    press(button(host, 'previous'));
    expect(now()).toBe('Three');
    press(button(host, 'next'));
    expect(now()).toBe('One');
  });

  // WCAG 2.2.2: what moves by itself for more than five seconds can be stopped.
  test('never turn by themselves without a button that stops them', () => {
    const { now, go } = begin({}, HTML.replace('<button data-do="pause">Stop</button>', ''));
    go(60_000);
    expect(now()).toBe('One');
  });

  test('nor for those who ask for less motion', () => {
    const { host, now, go } = begin({}, HTML, true);
    go(60_000);
    expect(now()).toBe('One');
    expect(host.getAttribute('data-way')).toBe('none');
  });

  test('one message alone has nothing to turn to', () => {
    const { host, waiting } = begin({}, '<section><ul><li>One</li></ul><button data-do="pause">x</button></section>');
    expect(waiting()).toBe(0);
    expect(host.hasAttribute('data-turning')).toBe(false);
  });

  test('500 messages are as good as three', () => {
    const many = Array.from({ length: 500 }, (_, i) => `<li>${i}</li>`).join('');
    const { now, host } = begin({}, `<section><ul>${many}</ul><button data-do="previous">‹</button></section>`);
    press(button(host, 'previous'));
    expect(now()).toBe('499');
  });

  test('stopped, they leave the markup as it was', () => {
    const { host, running, waiting } = begin();
    running.stop();
    expect(host.innerHTML).toBe(stage(HTML).host.innerHTML);
    expect(waiting()).toBe(0);
  });
});
