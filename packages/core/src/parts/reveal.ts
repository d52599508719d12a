import { hiddenBy } from '../check/hidden.js';
import type { Environment } from '../css/conditions/environment.js';
import { NO_REVEAL, type Forcer, type Reveal, type Subject } from '../component/subject.js';
import type { MarkupChange } from '../page/stage.js';
import type { StagedPages } from '../page/staged-pages.js';
import { openingBySheets } from './openings.js';
import { ancestors, selfAndAncestors, type ElementNode } from '../tree/tree.js';

/** Attributes that show what an element and its ancestors hide. */
function opening(element: ElementNode, pages: StagedPages): MarkupChange[] {
  const changes: MarkupChange[] = [];
  for (const node of selfAndAncestors(element)) {
    if (node.attributes.has('hidden')) changes.push({ order: node.order, name: 'hidden', value: undefined });
    const opens = node.name === 'dialog' || (node.name === 'details' && node !== element);
    if (opens && !node.attributes.has('open')) changes.push({ order: node.order, name: 'open', value: '' });
    if (node.attributes.get('aria-hidden') === 'true')
      changes.push({ order: node.order, name: 'aria-hidden', value: 'false' });
    const toggle = node.id && pages.tree.elements.find((other) => other.attributes.get('aria-controls') === node.id);
    if (toggle && toggle.attributes.get('aria-expanded') === 'false')
      changes.push({ order: toggle.order, name: 'aria-expanded', value: 'true' });
  }
  return changes;
}

/**
 * What else to do to the page so that a subject can be seen: open what holds it, or point at what shows it. Nothing
 * where it is seen already, or where nothing of this helps.
 */
export function revealOf(pages: StagedPages, environment: Environment, subject: Subject, forcer: Forcer): Reveal {
  const see = (reveal: Reveal) => forcer.see(pages, environment, subject, subject.states.atRest, reveal);
  const hidden = (reveal: Reveal) => {
    const { view, element } = see(reveal);
    return hiddenBy(view, element) !== undefined;
  };
  if (!hidden(NO_REVEAL)) return NO_REVEAL;
  const changes = opening(subject.element, pages);
  const opened: Reveal = { changes, pointed: [] };
  if (changes.length && !hidden(opened)) return opened;
  const asOpened = see(opened);
  for (const node of ancestors(subject.element)) {
    if (node.name === 'body' || !node.parent) break;
    // Only what is seen itself can be pointed at.
    if (hiddenBy(asOpened.view, asOpened.stage.tree.elements[node.order]!)) continue;
    const pointed: Reveal = { changes, pointed: [node] };
    if (!hidden(pointed)) return pointed;
  }
  const bySheets = openingBySheets(pages, environment, subject.element, changes);
  if (bySheets && !hidden({ changes: bySheets, pointed: [] })) return { changes: bySheets, pointed: [] };
  return changes.length ? opened : NO_REVEAL;
}

/** Names what a reveal opens, so that geometry measured with it open is found again; empty for the page as it is. */
export const openedKey = ({ changes, pointed }: Reveal): string =>
  changes.length || pointed.length ? JSON.stringify([changes, pointed.map(({ order }) => order)]) : '';
