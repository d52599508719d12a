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
import { amount, setting } from './settings.js';

/**
 * Runs a list past its window without end. Copies of the items follow them, unseen by screen readers and keyboard; only
 * a transform moves, so it costs no layout. It stands still for those who ask for less motion, and where no button
 * stops it (WCAG 2.2.2).
 */
export const ticker: Start = (host) => {
  const view = viewOf(host);
  const undo = undoing();
  const list = listOf(host);
  const items = [...(list?.children ?? [])] as HTMLElement[];
  const pausers = buttons(host, 'pause');
  if (!list || !items.length || !pausers.length) return { stop: undo.run, refresh: () => {} };
  let copies: Element[] = [];
  let moving: Animation | undefined;
  let isStopped = false;
  let drawn = '';
  undo.add(put(host, 'data-running', null));
  undo.add(put(list, 'data-list', ''));
  for (const button of pausers) undo.add(put(button, 'aria-pressed', 'false'));

  const clear = () => {
    moving?.cancel();
    moving = undefined;
    copies.forEach((copy) => copy.remove());
    copies = [];
    host.removeAttribute('data-running');
  };
  const copyOf = (item: Element) => {
    const copy = item.cloneNode(true) as HTMLElement;
    for (const own of [copy, ...copy.querySelectorAll('[id]')]) own.removeAttribute('id');
    copy.setAttribute('aria-hidden', 'true');
    copy.inert = true;
    copies.push(copy);
    return copy;
  };
  const startOf = (element: Element, flow: boolean) => {
    const box = element.getBoundingClientRect();
    return flow ? -box.right : box.left;
  };
  /** How far an item is behind the first. */
  const behind = (element: Element, flow: boolean) => startOf(element, flow) - startOf(items[0]!, flow);

  const hold = () => {
    if (!moving) return;
    if (isStopped || isAttended(host)) moving.pause();
    else moving.play();
  };
  const draw = () => {
    const speed = amount(host, 'run-speed', 60);
    const mayRun = speed > 0 && !asksForLessMotion(view);
    host.toggleAttribute('data-running', mayRun);
    for (const button of pausers) button.hidden = !mayRun;
    const runs = mayRun && pausers.some(canBePressed);
    host.toggleAttribute('data-running', runs);
    const to = setting(host, 'run-to', 'start');
    const asDrawn = () => [runs, speed, to, host.clientWidth, list.clientHeight].join(' ');
    if (asDrawn() === drawn) return;
    const share = moving?.effect?.getComputedTiming().progress ?? 0;
    clear();
    if (runs) {
      host.setAttribute('data-running', '');
      // The first item stands behind another like all that follow, so that marks between items are before it too.
      const lead = items[0]!.cloneNode() as HTMLElement;
      lead.setAttribute('aria-hidden', 'true');
      lead.removeAttribute('id');
      copies.push(lead);
      list.prepend(lead);
      list.append(...items.map(copyOf));
      const flow = isRtl(host);
      const length = behind(copies[1]!, flow);
      if (!(length > 0)) return clear();
      for (let filled = length; filled < host.clientWidth && copies.length < 2000; filled += length)
        list.append(...items.map(copyOf));
      const frames = [0, length].map((by) => ({ transform: `translateX(${flow ? by : -by}px)` }));
      moving = list.animate(frames, {
        duration: (length / speed) * 1000,
        iterations: Infinity,
        direction: to === 'end' ? 'reverse' : 'normal',
      });
      moving.currentTime = share * (length / speed) * 1000;
      hold();
    }
    drawn = asDrawn();
  };

  for (const button of pausers)
    undo.on(button, 'click', () => {
      isStopped = !isStopped;
      for (const own of pausers) own.setAttribute('aria-pressed', String(isStopped));
      hold();
    });
  undo.on(host, 'pointerenter pointerleave focusout', () => void view.setTimeout(hold));
  undo.on(list, 'focusin', (event) => {
    hold();
    const item = items.find((own) => own.contains(event.target as Node));
    const timing = moving?.effect?.getComputedTiming();
    if (!moving || !item || !timing) return;
    const flow = isRtl(host);
    const by = behind(item, flow);
    const length = behind(copies[1]!, flow);
    const share = timing.direction === 'reverse' ? 1 - by / length : by / length;
    // What has the focus stands at the start of the window.
    moving.currentTime = share * Number(timing.duration);
    host.scrollLeft = 0;
  });
  undo.add(onResize(host, draw));
  undo.add(onResize(list, draw));
  undo.on(view, 'pageshow', draw);
  undo.add(clear);
  draw();
  return {
    stop: undo.run,
    refresh: () => {
      drawn = '';
      draw();
    },
  };
};
