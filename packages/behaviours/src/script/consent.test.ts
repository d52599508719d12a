import { describe, expect, test } from '@jest/globals';
import { press, stage } from '../testing/stage.js';
import { consent } from './consent.js';

const HTML = `<section><p>May we count visits?</p><label><input type="checkbox" value="statistics"></label>
<button data-choice="all">Accept</button><button data-choice="none">Refuse</button><button data-choice="chosen">These</button></section>
<a href="#cookies">Cookies</a>
<script type="text/plain" data-consent="statistics" src="/count.js" crossorigin="anonymous"></script>
<script type="text/plain" data-consent="maps">var x</script>`;

const begin = () => {
  const on = stage(HTML);
  const told: string[][] = [];
  on.document.addEventListener('rq-consent', (event) =>
    told.push((event as CustomEvent<{ granted: string[] }>).detail.granted),
  );
  const waiting = () =>
    [...on.document.querySelectorAll<HTMLElement>('[type="text/plain"]')].map(({ dataset }) => dataset.consent);
  return { ...on, told, blocked: waiting, running: consent(on.host, on.around) };
};
const choice = (host: Element, name: string) => host.querySelector(`[data-choice=${name}]`);

describe('consent', () => {
  test('is asked for, and nothing runs before it is given', () => {
    const { host, told, blocked } = begin();
    expect(host.hidden).toBe(false);
    expect(told).toEqual([]);
    expect(blocked()).toEqual(['statistics', 'maps']);
  });

  test('given for all, the scripts that waited run with all that they had', () => {
    const { host, told, blocked, document } = begin();
    press(choice(host, 'all'));
    expect(host.hidden).toBe(true);
    expect(told).toEqual([['all']]);
    expect(blocked()).toEqual([]);
    const script = document.querySelector<HTMLScriptElement>('script[src]')!;
    expect([script.getAttribute('src'), script.getAttribute('crossorigin'), script.type]).toEqual([
      '/count.js',
      'anonymous',
      '',
    ]);
  });

  test('given on another page, holds here too when one goes back to it', () => {
    const { host, told, blocked, around, show } = begin();
    around.keep('rq-consent', 'statistics', around.now() + 864e5);
    show(false);
    expect(told).toEqual([]);
    show(true);
    expect(host.hidden).toBe(true);
    expect(told).toEqual([['statistics']]);
    expect(blocked()).toEqual(['maps']);
  });

  test('refused, none of them does', () => {
    const { host, told, blocked } = begin();
    press(choice(host, 'none'));
    expect(told).toEqual([[]]);
    expect(blocked()).toEqual(['statistics', 'maps']);
  });

  test('given for what is ticked, that and no more', () => {
    const { host, told, blocked } = begin();
    host.querySelector('input')!.checked = true;
    press(choice(host, 'chosen'));
    expect(told).toEqual([['statistics']]);
    expect(blocked()).toEqual(['maps']);
  });

  test('is kept for its days, told again on the next page, and asked again after them', () => {
    const on = begin();
    on.set({ 'choice-days': '30' });
    press(choice(on.host, 'all'));
    on.running.stop();
    on.running = consent(on.host, on.around);
    expect(on.host.hidden).toBe(true);
    expect(on.told).toEqual([['all'], ['all']]);
    on.go(30 * 864e5);
    on.running.refresh();
    expect(on.host.hidden).toBe(false);
  });

  test('can be asked for again by a link, which has the focus back', () => {
    const { host, document } = begin();
    press(choice(host, 'none'));
    const link = document.querySelector('a')!;
    press(link);
    expect(host.hidden).toBe(false);
    expect(host.contains(document.activeElement)).toBe(true);
    press(choice(host, 'all'));
    expect(document.activeElement).toBe(link);
  });
});
