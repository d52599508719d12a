import type { Applied } from '../css/applied.js';
import { NO_SPECIFICITY, compareSpecificity, type Specificity } from '../css/selector/specificity.js';
import type { StateBits } from '../css/selector/states.js';
import { asOneSelector, raiseTo, specificityOf } from '../css/selector/weight.js';
import type { PageStyles } from '../css/styles.js';
import { highestWithin } from '../look/lattice.js';
import type { Look } from '../look/model.js';
import { Forcer, LookResolver, type Decision } from '../look/resolve.js';
import { selectAll } from '../page/locator.js';
import { pathSelector } from '../page/path.js';
import type { ElementNode, PageTree } from '../page/tree.js';
import { mediaFor, type EnvironmentCase } from './environments.js';

export interface PlanInput {
  readonly tree: PageTree;
  readonly selector: string;
  readonly part: string;
  readonly look: Look;
  readonly cases: readonly EnvironmentCase[];
  /** The site's own styles, without the look, in a case. */
  readonly stylesIn: (environment: EnvironmentCase) => PageStyles;
}

/** One declaration of the handover. */
export interface PlannedDeclaration {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
  /** Set by the owner, or restated so that the site's own state neither leaks nor gets lost. */
  readonly from: 'look' | 'site';
}

/** One rule: a state set, under a media query, for all of the component's elements or some. */
export interface PlannedRule {
  readonly states: StateBits;
  readonly media: string;
  readonly selector: string;
  readonly declarations: readonly PlannedDeclaration[];
}

/** A declaration of the site that no rule of ours can beat. */
export interface Unbeatable {
  readonly property: string;
  readonly applied: Applied;
}

export interface Plan {
  readonly baseSelector: string;
  readonly rules: readonly PlannedRule[];
  readonly unbeatable: readonly Unbeatable[];
  /** The strongest declaration of the site that the rules had to be raised over, if they were. */
  readonly raisedOver: Applied | undefined;
  readonly elements: readonly ElementNode[];
}

interface Subject {
  readonly element: ElementNode;
  readonly where: EnvironmentCase;
  readonly resolver: LookResolver;
  readonly styles: PageStyles;
}

interface Entry {
  readonly states: StateBits;
  readonly property: string;
  readonly value: string;
  readonly from: 'look' | 'site';
  readonly elements: ReadonlySet<ElementNode> | undefined;
  readonly cases: ReadonlySet<EnvironmentCase> | undefined;
}

/** A look says nothing to a page on which its component does not stand. */
export const MAX_PLANNED_ELEMENTS = 200;

/**
 * Works out the rules that give a component its look, by the law of the model: every row that the look touches is
 * restated in rank order at equal base weight, weight is raised only as far as the site's own rules ask, and what the
 * site would decide alike without being restated is left out.
 */
export function planHandover(input: PlanInput): Plan {
  const elements = selectAll(input.tree, input.selector).slice(0, MAX_PLANNED_ELEMENTS);
  const forcer = new Forcer();
  const subjects: Subject[] = input.cases.flatMap((where) => {
    const styles = input.stylesIn(where);
    return elements.map((element) => ({
      element,
      where,
      styles,
      resolver: new LookResolver(styles, element, input.part, input.look, forcer),
    }));
  });
  const sets = [...new Set(subjects.flatMap((subject) => subject.resolver.sets))].sort((a, b) => a - b);
  const properties = [...new Set(subjects.flatMap((subject) => subject.resolver.touched))];
  const unbeatable: Unbeatable[] = [];
  const important = new Set<string>();
  let needed: Specificity = NO_SPECIFICITY;
  let raisedOver: Applied | undefined;

  for (const property of properties) {
    const beaten = beatenBy(subjects, sets, property);
    const strong = beaten.filter((applied) => applied.declaration.important || applied.inline);
    if (strong.length) important.add(property);
    for (const applied of strong.length ? strong : beaten) {
      if (applied.declaration.important && (applied.layer !== Infinity || applied.inline)) {
        if (!unbeatable.some((item) => item.applied.declaration === applied.declaration)) {
          unbeatable.push({ property, applied });
        }
      } else if (!applied.inline && applied.layer === Infinity && applied.origin === 'author') {
        if (compareSpecificity(applied.specificity, needed) > 0) {
          needed = applied.specificity;
          raisedOver = applied;
        }
      }
    }
  }

  const own = asOneSelector(input.selector);
  const raised = compareSpecificity(needed, own.specificity) > 0;
  const baseSelector = raised ? raiseTo(input.selector, needed) : own.text;
  const weight = specificityOf(baseSelector);
  const entries = properties.flatMap((property) => {
    const planned = entriesFor(subjects, sets, property, forcer);
    return planned.filter(
      (entry) => entry.from === 'look' || isNeeded(entry, planned, subjects, sets, weight, important.has(property)),
    );
  });
  return {
    baseSelector,
    rules: toRules(entries, baseSelector, important, elements, input.cases),
    unbeatable,
    raisedOver: raised ? raisedOver : undefined,
    elements,
  };
}

/** The site's winners in all states in which the look is to decide instead. */
function beatenBy(subjects: readonly Subject[], sets: readonly StateBits[], property: string): Applied[] {
  const found = new Map<unknown, Applied>();
  for (const { resolver } of subjects) {
    for (const state of sets) {
      if (resolver.decide(property, state).from !== 'look') continue;
      const winner = resolver.siteWinner(property, state);
      if (winner?.origin === 'author') found.set(winner, winner);
    }
  }
  return [...found.values()];
}

/** Entries in rank order: what the look sets, and what must be restated for the states above it. */
function entriesFor(
  subjects: readonly Subject[],
  sets: readonly StateBits[],
  property: string,
  forcer: Forcer,
): Entry[] {
  const entries: Entry[] = [];
  const appliesTo = (entry: Entry, subject: Subject) =>
    (!entry.elements || entry.elements.has(subject.element)) && (!entry.cases || entry.cases.has(subject.where));
  const emittedAt = (subject: Subject, state: StateBits): Entry | undefined => {
    const own = new Map<StateBits, Entry>();
    for (const entry of entries) if (appliesTo(entry, subject)) own.set(entry.states, entry);
    return highestWithin(own, state)?.[1];
  };
  for (const state of sets) {
    const wanted = new Map<Subject, { decision: Decision; value: string }>();
    for (const subject of subjects) {
      const decision = subject.resolver.decide(property, state);
      const style = subject.styles.at(forcer.force(subject.element, state)).of(subject.element);
      wanted.set(subject, { decision, value: decision.from === 'look' ? decision.value! : style.restated(property) });
    }
    const first = [...wanted.values()].find(({ decision }) => decision.from === 'look' && decision.set === state);
    if (first) {
      entries.push({
        states: state,
        property,
        value: first.value,
        from: 'look',
        elements: undefined,
        cases: undefined,
      });
      continue;
    }
    const missing = [...wanted].filter(([subject, want]) => {
      const emitted = emittedAt(subject, state);
      // Before anything is emitted the site decides by itself.
      return emitted !== undefined && emitted.value !== want.value;
    });
    if (missing.length) entries.push(...restate(missing, subjects, state, property));
  }
  return entries;
}

/** One entry for each value, for all subjects alike or for those that want it. */
function restate(
  missing: readonly (readonly [Subject, { value: string }])[],
  all: readonly Subject[],
  states: StateBits,
  property: string,
): Entry[] {
  const byValue = new Map<string, Subject[]>();
  for (const [subject, { value }] of missing) byValue.set(value, [...(byValue.get(value) ?? []), subject]);
  if (byValue.size === 1 && missing.length === all.length) {
    const [value] = byValue.keys();
    return [{ states, property, value: value!, from: 'site', elements: undefined, cases: undefined }];
  }
  const everyCase = new Set(all.map((subject) => subject.where));
  const everyElement = new Set(all.map((subject) => subject.element));
  return [...byValue].flatMap(([value, wanting]) => {
    // Elements that want the value in the same cases share a rule.
    const casesOf = new Map<ElementNode, EnvironmentCase[]>();
    for (const { element, where } of wanting) casesOf.set(element, [...(casesOf.get(element) ?? []), where]);
    const shared = new Map<string, { elements: Set<ElementNode>; cases: Set<EnvironmentCase> }>();
    for (const [element, cases] of casesOf) {
      const key = cases.map((item) => `${item.scheme}${item.from}`).join();
      const group = shared.get(key) ?? { elements: new Set(), cases: new Set(cases) };
      group.elements.add(element);
      shared.set(key, group);
    }
    return [...shared.values()].map(({ elements, cases }): Entry => ({
      states,
      property,
      value,
      from: 'site',
      elements: elements.size === everyElement.size ? undefined : elements,
      cases: cases.size === everyCase.size ? undefined : cases,
    }));
  });
}

/** A restated value is needed only where it, and not the site's own rule, would have to win. */
function isNeeded(
  entry: Entry,
  planned: readonly Entry[],
  subjects: readonly Subject[],
  sets: readonly StateBits[],
  weight: Specificity,
  important: boolean,
): boolean {
  for (const subject of subjects) {
    if (entry.elements && !entry.elements.has(subject.element)) continue;
    if (entry.cases && !entry.cases.has(subject.where)) continue;
    const own = new Map<StateBits, Entry>();
    for (const other of planned) {
      const here =
        (!other.elements || other.elements.has(subject.element)) && (!other.cases || other.cases.has(subject.where));
      if (here) own.set(other.states, other);
    }
    for (const state of sets) {
      if (highestWithin(own, state)?.[1] !== entry) continue;
      const winner = subject.resolver.siteWinner(entry.property, state);
      if (!winner || !siteBeats(winner, weight, important)) return true;
    }
  }
  return false;
}

/** Whether a declaration of the site wins over a later, unlayered rule of the given weight. */
export function siteBeats(winner: Applied, weight: Specificity, important: boolean): boolean {
  if (winner.origin !== 'author') return false;
  if (winner.declaration.important !== important) return winner.declaration.important;
  if (winner.inline) return true;
  if (winner.layer !== Infinity) return winner.declaration.important;
  return compareSpecificity(winner.specificity, weight) > 0;
}

function toRules(
  entries: readonly Entry[],
  baseSelector: string,
  important: ReadonlySet<string>,
  elements: readonly ElementNode[],
  cases: readonly EnvironmentCase[],
): PlannedRule[] {
  const rules = new Map<
    string,
    { states: StateBits; media: string; selector: string; declarations: PlannedDeclaration[] }
  >();
  for (const entry of entries) {
    const selector =
      entry.elements && entry.elements.size < elements.length
        ? `${baseSelector}:where(${[...entry.elements].map(pathSelector).join(', ')})`
        : baseSelector;
    for (const media of entry.cases ? mediaFor([...entry.cases], cases) : ['']) {
      const key = `${entry.states}|${selector}|${media}`;
      let rule = rules.get(key);
      if (!rule) rules.set(key, (rule = { states: entry.states, media, selector, declarations: [] }));
      rule.declarations.push({
        property: entry.property,
        value: entry.value,
        important: important.has(entry.property),
        from: entry.from,
      });
    }
  }
  return [...rules.values()].sort((a, b) => a.states - b.states);
}
