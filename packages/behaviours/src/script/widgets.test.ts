import { describe, expect, test } from '@jest/globals';
import { press, stage } from '../testing/stage.js';
import { accordion } from './accordion.js';
import { menu } from './menu.js';
import { tabs } from './tabs.js';

const key = (element: Element, name: string) => {
  const { defaultView } = element.ownerDocument;
  element.dispatchEvent(new defaultView!.KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
};

/** After the tabs pattern of the ARIA Authoring Practices Guide. */
describe('tabs', () => {
  const HTML = `<div><div role="tablist">${[1, 2, 3].map((n) => `<button role="tab" aria-controls="p${n}">${n}</button>`).join('')}</div>${[1, 2, 3].map((n) => `<div role="tabpanel" id="p${n}">${n}</div>`).join('')}</div>`;
  const begin = (values: Record<string, string> = {}) => {
    const on = stage(HTML);
    on.set(values);
    const running = tabs(on.host, on.around);
    const all = [...on.host.querySelectorAll<HTMLElement>('[role=tab]')];
    const shown = () =>
      [...on.host.querySelectorAll<HTMLElement>('[role=tabpanel]')].filter(({ hidden }) => !hidden).map(({ id }) => id);
    return { ...on, running, all, shown };
  };

  test('show one panel, and only the chosen tab is in the order of keys', () => {
    const { all, shown } = begin();
    expect(shown()).toEqual(['p1']);
    press(all[2]!);
    expect(shown()).toEqual(['p3']);
    expect(all.map(({ tabIndex }) => tabIndex)).toEqual([-1, -1, 0]);
    expect(all.map((tab) => tab.getAttribute('aria-selected'))).toEqual(['false', 'false', 'true']);
  });

  test('are moved between by arrows, Home and End, round and round', () => {
    const { all, shown, document } = begin();
    all[0]!.focus();
    for (const [name, at] of [
      ['ArrowRight', 1],
      ['End', 2],
      ['ArrowRight', 0],
      ['ArrowLeft', 2],
      ['Home', 0],
    ] as const) {
      key(document.activeElement!, name);
      expect(document.activeElement).toBe(all[at]);
      expect(shown()).toEqual([`p${at + 1}`]);
    }
  });

  test('wait for a press where the owner wants it so', () => {
    const { all, shown, document } = begin({ 'tabs-choose': 'by-press' });
    all[0]!.focus();
    key(all[0]!, 'ArrowRight');
    expect(document.activeElement).toBe(all[1]);
    expect(shown()).toEqual(['p1']);
    press(all[1]!);
    expect(shown()).toEqual(['p2']);
  });

  test('stopped, all panels are there as they were', () => {
    const { host, running, shown } = begin();
    running.stop();
    expect(shown()).toEqual(['p1', 'p2', 'p3']);
    expect(host.querySelector('[tabindex]')).toBeNull();
  });
});

describe('an accordion', () => {
  test('has one section open at a time where that is wanted', () => {
    const on = stage('<div><details><summary>a</summary></details><details><summary>b</summary></details></div>');
    on.set({ 'sections-open': 'one' });
    const running = accordion(on.host, on.around);
    const [first, second] = [...on.host.querySelectorAll('details')];
    expect(first!.getAttribute('name')).toBe(second!.getAttribute('name'));
    expect(first!.getAttribute('name')).toBeTruthy();
    running.stop();
    expect(first!.hasAttribute('name')).toBe(false);
  });
});

/** After the disclosure navigation of the ARIA Authoring Practices Guide. */
describe('a menu', () => {
  test('is walked through by arrows, Home and End', () => {
    const on = stage(
      '<nav><ul><li><a href="#1">A</a></li><li><a href="#2">B</a><ul><li><a href="#3">C</a></li><li><a href="#4">D</a></li></ul></li><li><a href="#5">E</a></li></ul></nav>',
    );
    menu(on.host, on.around);
    on.host.querySelector('a')!.focus();
    for (const [name, text] of [
      ['ArrowRight', 'B'],
      ['ArrowDown', 'C'],
      ['ArrowDown', 'D'],
      ['ArrowDown', 'C'],
      ['End', 'D'],
      ['Home', 'C'],
      ['ArrowUp', 'B'],
      ['End', 'E'],
      ['ArrowRight', 'A'],
      ['ArrowLeft', 'E'],
    ] as const) {
      key(on.document.activeElement!, name);
      expect([name, on.document.activeElement!.textContent]).toEqual([name, expect.stringMatching(`^${text}`)]);
    }
  });

  test('of a phone is opened by its toggle, and Escape closes it', () => {
    const on = stage('<nav><button data-do="menu">Menu</button><ul><li><a href="#1">A</a></li></ul></nav>');
    menu(on.host, on.around);
    const toggle = on.host.querySelector('button')!;
    expect(toggle.getAttribute('aria-expanded')).toBe('false');
    press(toggle);
    expect([toggle.getAttribute('aria-expanded'), on.host.hasAttribute('data-open')]).toEqual(['true', true]);
    key(on.host.querySelector('a')!, 'Escape');
    expect([toggle.getAttribute('aria-expanded'), on.host.hasAttribute('data-open')]).toEqual(['false', false]);
    expect(on.document.activeElement).toBe(toggle);
  });
});
