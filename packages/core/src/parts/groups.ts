import type { FoundPart } from '../component/parts.js';
import type { Environment } from '../css/conditions/environment.js';
import { once } from '../memo/once.js';
import { probe } from '../css/cascade/rule-entry.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import type { SubjectGroup } from '../handover/entries.js';
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

let lines = 0;

/** Which rules reach an element and each of its ancestors, as a number: what is inherited and stands behind follows from it. */
class Lineages {
  private readonly known = new Map<ElementNode, number>();
  private readonly byText = new Map<string, number>();

  constructor(private readonly styles: PageStyles) {}

  of(element: ElementNode): number {
    let found = this.known.get(element);
    if (found !== undefined) return found;
    const { parent, attributes, name } = element;
    const above = parent ? this.of(parent) : 0;
    const text = `${above}|${name}|${attributes.get('style') ?? ''}|${signature(this.styles, element)}`;
    found = this.byText.get(text);
    if (found === undefined) this.byText.set(text, (found = ++lines));
    this.known.set(element, found);
    return found;
  }
}

const lineagesOf = once((styles: PageStyles) => new Lineages(styles));

/**
 * Puts subjects together that every rule of the page treats alike, with all that they stand in, so that one can stand for all while somebody edits.
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
      lineagesOf(styles).of(element),
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
