import { keyOf } from './kept.js';
import { put, undoing, type Start } from './behaviour.js';
import { setting } from './settings.js';

/** Sections of the browser's own, of which one at a time is open where that is wanted. */
export const accordion: Start = (host) => {
  const undo = undoing();
  const sections = [...host.querySelectorAll<HTMLDetailsElement>('details')];
  const name = keyOf(host, 'rq-accordion');
  for (const section of sections) undo.add(put(section, 'name', section.getAttribute('name')));
  const isOne = () => setting(host, 'sections-open', 'any') === 'one';
  const refresh = () => {
    for (const section of sections)
      if (isOne()) section.setAttribute('name', name);
      else section.removeAttribute('name');
  };
  // Browsers that know no names of sections are told which to close.
  for (const section of sections)
    undo.on(section, 'toggle', () => {
      if (section.open && isOne()) for (const other of sections) if (other !== section) other.open = false;
    });
  refresh();
  return { stop: undo.run, refresh };
};
