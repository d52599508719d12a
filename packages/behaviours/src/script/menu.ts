import { buttons, isRtl, isSeen, put, undoing, viewOf, type Start } from './behaviour.js';

const SHOWN = { display: 'block', visibility: 'visible', opacity: '1' };

/**
 * A menu of links with lists beneath them, after the disclosure navigation of the ARIA Authoring Practices Guide. The
 * lists are opened by the site's own CSS, by pointer and focus; this adds keys, touch, Escape and the toggle of a phone.
 */
export const menu: Start = (host) => {
  const view = viewOf(host) as Window & typeof globalThis;
  const undo = undoing();
  const items = [...host.querySelectorAll<HTMLElement>('li')];
  const linkOf = (item: Element) => item.querySelector<HTMLElement>(':scope > a, :scope > button');
  const listOf = (item: Element) => item.querySelector<HTMLElement>(':scope > ul, :scope > ol');
  undo.add(put(host, 'data-menu', ''));

  const shut = (list: HTMLElement) => list.style.setProperty('display', 'none', 'important');
  const free = (list: HTMLElement) => Object.keys(SHOWN).forEach((name) => list.style.removeProperty(name));
  const open = (list: HTMLElement) => {
    free(list);
    // Sites hide their lists in all of these ways; what is no way of this one stays as it is.
    for (const [name, value] of Object.entries(SHOWN)) {
      if (name === 'display' && view.getComputedStyle(list).display !== 'none') continue;
      list.style.setProperty(name, value, 'important');
    }
  };
  for (const item of items) {
    const list = listOf(item);
    const link = linkOf(item);
    if (!list || !link) continue;
    undo.add(() => free(list));
    undo.on(item, 'pointerleave', () => free(list));
    undo.on(item, 'focusout', (event) => {
      if (!item.contains((event as FocusEvent).relatedTarget as Node | null)) free(list);
    });
    // The first touch opens what the pointer of a mouse would have opened by being there.
    let wasShown = true;
    undo.on(link, 'pointerdown', (event) => {
      wasShown = (event as PointerEvent).pointerType !== 'touch' || isSeen(list);
    });
    undo.on(link, 'click', (event) => {
      if (wasShown) return;
      event.preventDefault();
      open(list);
    });
  }
  undo.on(host, 'keydown', (event) => {
    const { key, target } = event as KeyboardEvent;
    const item = (target as Element).closest('li');
    if (!item || !host.contains(item)) return;
    const siblings = [...item.parentElement!.children].filter(linkOf);
    const at = siblings.indexOf(item);
    const isTop = !item.parentElement!.closest('li');
    const flow = isRtl(host) ? -1 : 1;
    const list = listOf(item);
    const above = item.parentElement!.closest('li');
    const go = (to: Element | undefined) => {
      if (!to) return;
      event.preventDefault();
      linkOf(to)?.focus();
    };
    const around = (by: number) => siblings[(at + by + siblings.length) % siblings.length];
    if (key === 'Escape') {
      const held = isTop ? list : (item.parentElement as HTMLElement);
      if (!held || !isSeen(held)) return;
      if (above) go(above);
      shut(held);
    } else if (key === 'Home') go(siblings[0]);
    else if (key === 'End') go(siblings.at(-1));
    else if (key === 'ArrowDown' && isTop && list) {
      open(list);
      go([...list.children].find(linkOf));
    } else if (isTop && key === 'ArrowRight') go(around(flow));
    else if (isTop && key === 'ArrowLeft') go(around(-flow));
    else if (!isTop && key === 'ArrowDown') go(around(1));
    else if (!isTop && key === 'ArrowUp') go(at === 0 ? above! : around(-1));
  });

  for (const toggle of buttons(host, 'menu')) {
    undo.add(put(toggle, 'aria-expanded', 'false'));
    const set = (isOpen: boolean) => {
      toggle.setAttribute('aria-expanded', String(isOpen));
      host.toggleAttribute('data-open', isOpen);
    };
    undo.on(toggle, 'click', () => set(toggle.getAttribute('aria-expanded') !== 'true'));
    undo.on(host, 'keydown', (event) => {
      if ((event as KeyboardEvent).key !== 'Escape' || !host.hasAttribute('data-open')) return;
      set(false);
      toggle.focus();
    });
    undo.add(() => host.removeAttribute('data-open'));
  }
  return { stop: undo.run, refresh: () => {} };
};
