import {
  asksForLessMotion,
  buttons,
  canBePressed,
  isAttended,
  isRtl,
  listOf,
  onResize,
  put,
  undoing,
  viewOf,
  type Start,
} from './behaviour.js';
import { setting, time } from './settings.js';

const LEAST_PACE = 2000;

/** Shows the items of a list in turn: by its buttons, and by itself where there is one that stops it. */
export const notices: Start = (host, around) => {
  const view = viewOf(host);
  const undo = undoing();
  const list = listOf(host);
  const items = [...(list?.children ?? [])].filter((item) => !(item as HTMLElement).hidden) as HTMLElement[];
  if (!list || items.length < 2) return { stop: undo.run, refresh: () => {} };
  let at = 0;
  let isStopped = false;
  let call: (() => void) | undefined;
  const pausers = buttons(host, 'pause');
  undo.add(put(host, 'data-turning', ''));
  undo.add(put(host, 'data-way', null));
  undo.add(put(list, 'aria-live', null));
  undo.add(put(list, 'data-list', ''));
  for (const item of items) {
    undo.add(put(item, 'data-at', null));
    undo.add(put(item, 'inert', null));
  }
  for (const button of pausers) undo.add(put(button, 'aria-pressed', null));

  /** Moving by itself without a way to stop it is for nobody (WCAG 2.2.2). */
  const turnsByItself = () =>
    setting(host, 'turn', 'by-itself') === 'by-itself' && !asksForLessMotion(view) && pausers.some(canBePressed);
  const isHeld = () => isStopped || isAttended(host) || host.ownerDocument.hidden;

  const turn = (by: number) => {
    at = (at + by + items.length) % items.length;
    items.forEach((item, i) => {
      item.setAttribute('data-at', i === at ? 'now' : i < at ? 'before' : 'after');
      // At once, while it may still be seen on its way out.
      item.inert = i !== at;
    });
  };
  const plan = () => {
    call?.();
    const byItself = turnsByItself();
    list.setAttribute('aria-live', byItself && !isStopped ? 'off' : 'polite');
    host.setAttribute('data-way', asksForLessMotion(view) ? 'none' : setting(host, 'turn-way', 'fade'));
    host.style.setProperty('--rq-flow', isRtl(host) ? '-1' : '1');
    for (const button of pausers) {
      button.hidden = !byItself;
      button.setAttribute('aria-pressed', String(isStopped));
    }
    if (!byItself || isHeld()) return;
    call = around.wait(
      () => {
        turn(1);
        plan();
      },
      time(host, 'turn-pace', 6000, LEAST_PACE),
    );
  };
  const step = (by: number) => () => {
    turn(by);
    plan();
  };
  for (const button of buttons(host, 'previous')) undo.on(button, 'click', step(-1));
  for (const button of buttons(host, 'next')) undo.on(button, 'click', step(1));
  for (const button of pausers)
    undo.on(button, 'click', () => {
      isStopped = !isStopped;
      plan();
    });
  // What leaves has not left yet while the event is told.
  undo.on(host, 'pointerenter pointerleave focusin focusout', () => void view.setTimeout(plan));
  undo.on(host.ownerDocument, 'visibilitychange', plan);
  undo.on(view, 'pageshow resize', plan);
  // It may have come on the page only now.
  undo.add(onResize(host, plan));
  undo.add(() => call?.());
  undo.add(() => host.style.removeProperty('--rq-flow'));
  turn(0);
  plan();
  return { stop: undo.run, refresh: plan };
};
