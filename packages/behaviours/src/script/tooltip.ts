import { undoing, type Start } from './behaviour.js';

/** A tip that Escape puts away, without the pointer or the focus being moved (WCAG 1.4.13). */
export const tooltip: Start = (host) => {
  const undo = undoing();
  const tip = host.querySelector<HTMLElement>('[role="tooltip"]');
  if (!tip) return { stop: undo.run, refresh: () => {} };
  const back = () => void tip.style.removeProperty('visibility');
  undo.on(host.ownerDocument, 'keydown', (event) => {
    if ((event as KeyboardEvent).key === 'Escape') tip.style.setProperty('visibility', 'hidden', 'important');
  });
  undo.on(host, 'pointerenter focusin', back);
  undo.add(back);
  return { stop: undo.run, refresh: () => {} };
};
