import { partNamed, type Kind } from '../component/kind.js';
import type { FoundPart } from '../component/parts.js';
import { environmentKey, type Environment } from '../css/conditions/environment.js';
import { InvalidSelectorError } from '../css/selector/match.js';
import { countOf } from '../css/selector/states.js';
import type { PlannedException, SubjectGroup } from '../handover/index.js';
import type { Exception, Look } from '../look/model.js';
import type { Subject } from '../component/subject.js';
import { selectAll } from '../css/selector/locator.js';
import type { StagedPages } from '../page/staged-pages.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { UnknownCellError } from './errors.js';
import { groupSubjects } from './groups.js';
import { exceptionsKey } from '../look/settings-by-part.js';
import { forgetOldest } from '../memo/kept-answers.js';
import type { EditingPlace } from '../look/editing-place.js';

/** Groups of subjects that are kept. */
const MAX_KEPT = 600;

/** The parts of a component that a page has: which elements they are, and which of these stand for others. */
export class ComponentParts {
  private readonly grouped = new Map<string, SubjectGroup[]>();
  private relatives: Map<string, readonly string[]> | undefined;

  /** @param all outermost first */
  constructor(
    private readonly site: StagedPages,
    private readonly kind: Kind,
    readonly all: readonly FoundPart[],
  ) {}

  /** @throws UnknownCellError for a part that the page, or the kind, does not have */
  named(name: string): FoundPart {
    const part = this.all.find((item) => item.part.name === name);
    if (part) return part;
    const known = partNamed(this.kind, name);
    throw new UnknownCellError(
      known ? `This page has no ${known.label.toLowerCase()} of this component.` : `There is no part called "${name}".`,
    );
  }

  /** The part that each element of the component is, by the elements' orders; the first part that names it. */
  byOrder(): ReadonlyMap<number, string> {
    const result = new Map<number, string>();
    for (const { part, elements } of this.all) {
      if (part.pseudo !== undefined) continue;
      for (const { order } of elements) if (!result.has(order)) result.set(order, part.name);
    }
    return result;
  }

  /** The element that stands for a part: a member of the exception in hand, or the one with the most states. */
  subjectFor(part: FoundPart, look: Look, place: EditingPlace = {}): Subject {
    const exceptions = this.exceptionsOf(part, look);
    const members = place.exception === undefined ? undefined : exceptions.get(place.exception)?.elements;
    const others = new Set([...exceptions.values()].flatMap(({ elements }) => [...elements]));
    const pool = part.subjects.filter(({ element }) => (members ? members.has(element) : !others.has(element)));
    const from = pool.length ? pool : part.subjects;
    return from.reduce((best, subject) =>
      countOf(subject.states.possible) > countOf(best.states.possible) ? subject : best,
    );
  }

  /** The members of exceptions on this page; an exception whose selectors cannot be read has none. */
  exceptionsOf(part: FoundPart, look: Look): Map<string, PlannedException> {
    const result = new Map<string, PlannedException>();
    for (const exception of look.exceptions) {
      if (exception.part !== part.part.name || !exception.members.length) continue;
      const selector = exception.members.join(', ');
      result.set(exception.id, { selector, elements: new Set(this.membersOf(exception, part)) });
    }
    return result;
  }

  private membersOf(exception: Exception, part: FoundPart): ElementNode[] {
    try {
      const reached = new Set(selectAll(this.site.tree, exception.members.join(', ')));
      return part.elements.filter((element) => reached.has(element));
    } catch (error) {
      if (error instanceof InvalidSelectorError) return [];
      throw error;
    }
  }

  /** The elements of a part, those together that all rules of the page and of the look treat alike. */
  groupsOf(part: FoundPart, look: Look, environment: Environment): SubjectGroup[] {
    const key = `${part.part.name}|${environmentKey(environment)}|${exceptionsKey(look.exceptions)}`;
    let groups = this.grouped.get(key);
    if (groups) return groups;
    const exceptions = this.exceptionsOf(part, look);
    const apart = (element: ElementNode) =>
      [...exceptions].flatMap(([id, { elements }]) => (elements.has(element) ? [id] : [])).join();
    groups = groupSubjects(this.site, environment, part, apart);
    this.grouped.set(key, groups);
    forgetOldest(this.grouped, MAX_KEPT);
    return groups;
  }

  /** Parts that stand around, within or beside a part as one element; what they look like can change what it is. */
  relativesOf(part: FoundPart): readonly string[] {
    this.relatives ??= new Map(
      this.all.map((own) => {
        const elements = new Set(own.elements);
        const around = new Set(own.elements.flatMap((element) => [...selfAndAncestors(element)]));
        const related = this.all.filter(
          (other) =>
            other.part.name === own.part.name ||
            other.elements.some((element) => around.has(element)) ||
            other.elements.some((element) => [...selfAndAncestors(element)].some((node) => elements.has(node))),
        );
        return [own.part.name, related.map(({ part: { name } }) => name)];
      }),
    );
    return this.relatives.get(part.part.name) ?? [];
  }

  /** What of a look cannot be used here. */
  problems(look: Look): string[] {
    return look.exceptions.flatMap((exception) => {
      const part = this.all.find((item) => item.part.name === exception.part);
      const isLost = part !== undefined && !this.membersOf(exception, part).length;
      return isLost ? [`The exception “${exception.name}” reaches nothing on this page.`] : [];
    });
  }
}
