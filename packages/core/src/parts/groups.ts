import type { FoundPart } from '../component/parts.js';
import type { Environment } from '../css/conditions/environment.js';
import { probe } from '../css/cascade/rule-entry.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import type { SubjectGroup } from '../handover/plan.js';
import type { Subject } from '../component/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ElementNode } from '../tree/tree.js';

/** Which rules reach an element in each of some states, as text. */
function signature(styles: PageStyles, element: ElementNode): string {
  const { quirks } = styles.tree;
  return styles
    .possibleEntries(element)
    .map((entry) => {
      const bits = probe(entry, element, quirks);
      return bits ? `${entry.index}:${bits}` : '';
    })
    .join();
}

/**
 * Puts subjects together that every rule of the page treats alike, so that one can stand for all while somebody edits.
 * The handover and its proof look at each by itself.
 *
 * @param apart elements that are told from the rest, such as members of exceptions, with a key
 */
export function groupSubjects(
  pages: StagedPages,
  environment: Environment,
  part: FoundPart,
  apart: (element: ElementNode) => string,
): SubjectGroup[] {
  const styles = pages.at().stylesFor(environment);
  const groups = new Map<string, { subject: Subject; members: ElementNode[] }>();
  for (const subject of part.subjects) {
    const { element, carrier, states } = subject;
    const key = [
      element.name,
      element.attributes.get('style') ?? '',
      signature(styles, element),
      carrier === element ? '' : signature(styles, carrier),
      states.possible,
      states.atRest,
      apart(element),
    ].join('|');
    const group = groups.get(key);
    if (group) group.members.push(element);
    else groups.set(key, { subject, members: [element] });
  }
  return [...groups.values()];
}

/** Every subject by itself. */
export const eachAlone = (part: FoundPart): SubjectGroup[] =>
  part.subjects.map((subject) => ({ subject, members: [subject.element] }));
