import { asShown, buttons, ifKept, show, undoing, viewOf, type Start } from './behaviour.js';
import { keyOf } from './kept.js';
import { amount, setting, time } from './settings.js';
import { momentOf } from './zoned.js';

/** True where a path is one of a list, in which an ellipsis or a star stands for anything. */
export function isOnPage(path: string, pages: string): boolean {
  return pages.split(/[\s,]+/).some((page) => {
    const pattern = page.replace(/[.+?^${}()|[\]\\]/g, '\\$&').replace(/[*…]/g, '.*');
    return page !== '' && new RegExp(`^${pattern}$`).test(path);
  });
}

/** Has an element come when it should, and stay away when it was closed. */
export const appear: Start = (host, around) => {
  const view = viewOf(host) as Window & typeof globalThis;
  const document = host.ownerDocument;
  const undo = undoing();
  const key = keyOf(host, 'rq-appear');
  const isDialog = host instanceof view.HTMLDialogElement || host.localName === 'dialog';
  const dialog = host as HTMLDialogElement;
  const wasOpen = isDialog && dialog.open;
  let opener: HTMLElement | null = null;
  let isOpen = false;

  const open = () => {
    if (isOpen) return;
    isOpen = true;
    show(host, true);
    if (isDialog && !dialog.open) dialog.showModal();
  };
  const remember = () => {
    const again = setting(host, 'again', 'always');
    const days = again === 'after-days' ? amount(host, 'again-days', 7) : 3650;
    if (again === 'next-visit') around.keep(key, 'closed');
    else if (again !== 'always') around.keep(key, 'closed', around.now() + days * 864e5);
  };
  const closed = () => {
    if (!isOpen) return;
    isOpen = false;
    show(host, false);
    remember();
    if (!isDialog) opener?.focus();
    opener = null;
  };
  const close = () => (isDialog && dialog.open ? dialog.close() : closed());

  /** Closed before, here or on another page. */
  const isKept = () => around.kept(key, around.now()) !== undefined;

  const isDue = () => {
    const now = around.now();
    const zone = setting(host, 'zone', 'UTC');
    const from = momentOf(setting(host, 'from', ''), zone);
    const to = momentOf(setting(host, 'to', ''), zone);
    return !isKept() && isOnPage(around.path(), setting(host, 'pages', '…')) && !(from > now) && !(to <= now);
  };

  let call: (() => void) | undefined;
  const come = () => {
    if (isDue()) open();
  };
  const plan = () => {
    call?.();
    if (isOpen || !isDue()) return;
    const when = setting(host, 'appear', 'at-once');
    if (when === 'at-once') come();
    if (when === 'after') call = around.wait(come, time(host, 'appear-after', 5000));
  };
  undo.add(() => call?.());
  undo.add(asShown(host));
  undo.add(() => {
    if (isDialog && dialog.open) dialog.close();
    if (wasOpen) dialog.show();
  });
  if (wasOpen) dialog.close();
  show(host, false);
  undo.on(host, 'close', (event) => event.target === host && closed());
  for (const button of buttons(host, 'close')) undo.on(button, 'click', close);
  undo.on(host, 'keydown', (event) => !isDialog && (event as KeyboardEvent).key === 'Escape' && close());
  undo.on(
    view,
    'scroll',
    () => {
      if (setting(host, 'appear', '') !== 'scrolled') return;
      const { scrollHeight, clientHeight } = document.documentElement;
      const share = (view.scrollY / Math.max(1, scrollHeight - clientHeight)) * 100;
      if (share >= amount(host, 'appear-scrolled', 50)) come();
    },
    { passive: true },
  );
  undo.on(document, 'mouseout', (event) => {
    const { relatedTarget, clientY } = event as MouseEvent;
    if (setting(host, 'appear', '') === 'leaving' && !relatedTarget && clientY <= 0) come();
  });
  undo.on(document, 'click', (event) => {
    if (!host.id || !(event.target instanceof view.Element)) return;
    const pressed = event.target.closest<HTMLElement>(`[data-opens="${host.id}"], a[href="#${host.id}"]`);
    if (!pressed) return;
    event.preventDefault();
    opener = pressed;
    open();
    if (!isDialog) host.querySelector<HTMLElement>('a[href], button, input, [tabindex]')?.focus();
  });
  undo.on(
    view,
    'pageshow',
    ifKept(() => {
      if (isKept()) {
        isOpen = false;
        show(host, false);
        if (isDialog) dialog.close();
      }
      plan();
    }),
  );
  plan();
  return { stop: undo.run, refresh: plan };
};
