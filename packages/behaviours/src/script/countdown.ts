import { asShown, put, show, undoing, viewOf, type Start } from './behaviour.js';
import { keyOf } from './kept.js';
import { lasting, setting } from './settings.js';
import { momentOf } from './zoned.js';

const UNITS = [
  ['days', 86400],
  ['hours', 3600],
  ['minutes', 60],
  ['seconds', 1],
] as const;

/** Counts down to a moment: digits and units stand in elements that say what they count by `data-count`. */
export const countdown: Start = (host, around) => {
  const view = viewOf(host);
  const undo = undoing();
  const key = keyOf(host, 'rq-countdown');
  const lang = host.closest('[lang]')?.getAttribute('lang') || undefined;
  const end = host.querySelector<HTMLElement>('[data-end]');
  const counts = UNITS.flatMap(([name, seconds]) => {
    const box = host.querySelector<HTMLElement>(`[data-count="${name}"]`);
    if (!box) return [];
    const digits = box.firstElementChild ?? box;
    const unit = box.children.length > 1 ? box.lastElementChild : host.querySelector(`[data-unit="${name}"]`);
    const before = [digits.textContent, unit?.textContent] as const;
    undo.add(asShown(box));
    undo.add(() => {
      digits.textContent = before[0];
      if (unit) unit.textContent = before[1]!;
    });
    return [{ name, seconds, box, digits, unit }];
  });
  undo.add(put(host, 'data-counting', ''));
  undo.add(asShown(host));
  if (end) undo.add(asShown(end));

  /** Milliseconds since 1970; NaN where none is set. */
  const target = (): number => {
    if (setting(host, 'count', 'to-date') !== 'from-first-visit') {
      return momentOf(setting(host, 'until', ''), setting(host, 'zone', 'UTC'));
    }
    const lasts = lasting(setting(host, 'lasts', ''));
    const now = around.now();
    const first = Number(around.kept(key, now)) || now;
    // For ten years, so that a visitor does not begin anew.
    around.keep(key, String(first), now + 3650 * 864e5);
    return first + lasts;
  };

  const write = (element: Element, text: string) => {
    if (element.textContent !== text) element.textContent = text;
  };

  const draw = (left: number) => {
    const named = setting(host, 'units', 'days hours minutes seconds').split(/[\s,]+/);
    const isPadded = setting(host, 'zeros', 'on') !== 'off';
    let rest = left;
    for (const { name, seconds, box, digits, unit } of counts) {
      const isShown = named.includes(name);
      if (isShown !== !box.hidden) show(box, isShown);
      if (!isShown) continue;
      const count = Math.floor(rest / seconds);
      rest -= count * seconds;
      const style = { minimumIntegerDigits: isPadded ? 2 : 1, useGrouping: false };
      write(digits, new Intl.NumberFormat(lang, style).format(count));
      const worded = new Intl.NumberFormat(lang, { style: 'unit', unit: name.slice(0, -1), unitDisplay: 'long' });
      const label = worded.formatToParts(count).find(({ type }) => type === 'unit')?.value;
      if (unit && label) write(unit, label);
    }
  };

  let call: (() => void) | undefined;
  const tick = () => {
    call?.();
    const millis = target() - around.now();
    if (Number.isNaN(millis)) return;
    const isOver = millis <= 0;
    const atEnd = isOver ? setting(host, 'at-end', 'stay') : '';
    draw(Math.max(0, Math.ceil(millis / 1000)));
    show(host, atEnd !== 'hide');
    if (end) show(end, atEnd === 'say-words');
    host.toggleAttribute('data-over', isOver);
    if (atEnd === 'say-words') for (const { box } of counts) show(box, false);
    if (!isOver) call = around.wait(tick, millis % 1000 || 1000);
  };
  undo.add(() => call?.());
  undo.on(host.ownerDocument, 'visibilitychange', tick);
  undo.on(view, 'pageshow resize', tick);
  tick();
  return { stop: undo.run, refresh: tick };
};
