import { asShown, isRtl, put, show, undoing, type Start } from './behaviour.js';
import { setting } from './settings.js';

/** Tabs after the pattern of the ARIA Authoring Practices Guide: arrows, Home and End move, one panel is shown. */
export const tabs: Start = (host) => {
  const undo = undoing();
  const all = [...host.querySelectorAll<HTMLElement>('[role="tab"]')];
  const panelOf = (tab: Element) =>
    host.querySelector<HTMLElement>(`[id="${tab.getAttribute('aria-controls') ?? ''}"]`);
  const choose = (chosen: HTMLElement) => {
    for (const tab of all) {
      const isChosen = tab === chosen;
      tab.setAttribute('aria-selected', String(isChosen));
      tab.tabIndex = isChosen ? 0 : -1;
      const panel = panelOf(tab);
      if (panel) show(panel, isChosen);
    }
  };
  for (const tab of all) {
    undo.add(put(tab, 'aria-selected', tab.getAttribute('aria-selected')));
    undo.add(put(tab, 'tabindex', tab.getAttribute('tabindex')));
    const panel = panelOf(tab);
    if (panel) undo.add(asShown(panel));
    undo.on(tab, 'click', () => choose(tab));
    undo.on(tab, 'keydown', (event) => {
      const { key } = event as KeyboardEvent;
      const flow = isRtl(host) ? -1 : 1;
      const at = all.indexOf(tab);
      const to =
        key === 'Home'
          ? 0
          : key === 'End'
            ? all.length - 1
            : key === 'ArrowRight' || key === 'ArrowLeft'
              ? (at + (key === 'ArrowRight' ? flow : -flow) + all.length) % all.length
              : undefined;
      if (to === undefined) return;
      event.preventDefault();
      all[to]!.focus();
      if (setting(host, 'tabs-choose', 'by-arrows') === 'by-arrows') choose(all[to]!);
    });
  }
  const first = all.find((tab) => tab.getAttribute('aria-selected') === 'true') ?? all[0];
  if (first) choose(first);
  return { stop: undo.run, refresh: () => {} };
};
