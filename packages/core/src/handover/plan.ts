import type { FoundPart } from '../component/parts.js';
import type { Applied } from '../css/cascade/applied.js';
import { NO_SPECIFICITY, compareSpecificity, type Specificity } from '../css/selector/specificity.js';
import type { StateBits } from '../css/selector/states.js';
import { asOneSelector, raiseTo, specificityOf } from '../css/selector/weight.js';
import { compareConditions, conditionRanks, holdsIn, type Place } from '../look/conditions.js';
import { settingText, type Setting } from '../look/model.js';
import { LookResolver, type Decision } from '../look/resolve.js';
import { statesShared } from '../look/site-winners.js';
import { tellingApart } from '../component/fitting.js';
import { Forcer } from '../component/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ElementNode } from '../tree/tree.js';
import { appliesTo, deciding, restate, valueOf, type Entry, type SubjectGroup, type Target } from './entries.js';
import { mediaFor, type EnvironmentCase } from './environments.js';

/** Members of a part that differ: their elements on this page, and how a rule tells them from the rest. */
export interface PlannedException {
  readonly elements: ReadonlySet<ElementNode>;
  readonly selector: string;
}

export interface PlanInput {
  /** The site's own pages, without the look. */
  readonly pages: StagedPages;
  readonly part: FoundPart;
  readonly groups: readonly SubjectGroup[];
  /** The look's settings of this part that are not muted. */
  readonly settings: readonly Setting[];
  readonly exceptions: ReadonlyMap<string, PlannedException>;
  readonly place: Place;
  readonly cases: readonly EnvironmentCase[];
  readonly forcer?: Forcer;
  /** What earlier plans of the same part worked out, its exceptions, groups, place and cases being the same. */
  readonly memory?: PlanMemory | undefined;
  /** Only these properties; all that the look touches when absent. */
  readonly only?: ReadonlySet<string> | undefined;
  /** Rules that stand before these and must lose to them. */
  readonly over?: PlannedBefore | undefined;
}

/** Rules of a handover that stand before others, as far as those must know of them. */
export interface PlannedBefore {
  /** Of the heaviest of them, its pseudo-element and its states left out. */
  readonly weight: Specificity;
  /** Properties that they declare with !important. */
  readonly important?: ReadonlySet<string> | undefined;
  /** True where they speak about the same rows, which are then restated whole. */
  readonly sameRows: boolean;
}

/** One declaration of the handover. */
export interface PlannedDeclaration {
  readonly property: string;
  readonly value: string;
  readonly important: boolean;
  /** Set by the owner, or restated so that the site's own state neither leaks nor gets lost. */
  readonly from: 'look' | 'site';
}

/** One rule: a state set, under a media query, for all of the part's elements or some. */
export interface PlannedRule {
  readonly states: StateBits;
  readonly media: string;
  readonly selector: string;
  /** True where the selector tells elements of this page apart, by what may be of others on another page. */
  readonly byPlace: boolean;
  readonly declarations: readonly PlannedDeclaration[];
}

/** A declaration of the site that no rule of ours can beat. */
export interface Unbeatable {
  readonly property: string;
  readonly applied: Applied;
}

export interface Plan {
  readonly part: FoundPart;
  readonly baseSelector: string;
  readonly rules: readonly PlannedRule[];
  readonly unbeatable: readonly Unbeatable[];
  /** The strongest declaration of the site that the rules had to be raised over, if they were. */
  readonly raisedOver: Applied | undefined;
}

interface Planned {
  readonly key: string;
  readonly beaten: readonly Applied[];
  readonly entries: readonly Entry[];
  /** Those that the rules need, by the weight that these have. */
  readonly needed: Map<string, readonly Entry[]>;
}

/** What plans of one part worked out, property by property: an edit of one leaves the others as they were. */
export class PlanMemory {
  private readonly byProperty = new Map<string, Planned>();

  /** @internal */
  unlessKnown(property: string, key: string, make: () => Pick<Planned, 'beaten' | 'entries'>): Planned {
    let known = this.byProperty.get(property);
    if (known?.key !== key) this.byProperty.set(property, (known = { key, ...make(), needed: new Map() }));
    return known;
  }
}

/** Settings that may hold for a subject: those of an exception only where it is a member. */
export const settingsFor = (input: Pick<PlanInput, 'settings' | 'exceptions'>, element: ElementNode): Setting[] =>
  input.settings.filter(
    ({ exception }) => exception === undefined || input.exceptions.get(exception)?.elements.has(element),
  );

/**
 * Works out the rules that give a part its look, by the law of the model: every row that the look touches is restated
 * in rank order at equal base weight, weight is raised only as far as the site's own rules ask, and what the site would
 * decide alike without being restated is left out.
 */
export function planHandover(input: PlanInput): Plan {
  const forcer = input.forcer ?? new Forcer();
  const subjects = input.groups.map(({ subject }) => subject);
  const targets: Target[] = input.cases.flatMap((where) => {
    const { environment } = where;
    // A rule for a state reaches all of the part, those too of which no rule of the site speaks in that state.
    const shared = statesShared(input.pages, environment, subjects);
    return input.groups.map((group): Target => {
      const { subject } = group;
      const settings = settingsFor(input, subject.element);
      const resolver = new LookResolver(input.pages, environment, subject, settings, input.place, forcer, shared);
      return { group, where, resolver, sets: new Set(resolver.sets) };
    });
  });
  const sets = [...new Set(targets.flatMap((target) => target.resolver.sets))].sort((a, b) => a - b);
  const touched = [...new Set(targets.flatMap((target) => target.resolver.touched))];
  const properties = input.only ? touched.filter((property) => input.only!.has(property)) : touched;
  const memory = input.memory ?? new PlanMemory();
  const inPlay = sets.join();
  const planned = new Map(
    properties.map((property) => {
      const own = input.settings.filter((setting) => setting.property === property).map(settingText);
      const make = () => ({
        beaten: beatenBy(targets, property),
        entries: entriesFor(input, targets, sets, property),
      });
      return [property, memory.unlessKnown(property, `${inPlay}|${own.join()}`, make)] as const;
    }),
  );
  const unbeatable: Unbeatable[] = [];
  const important = new Set<string>();
  let needed: Specificity = NO_SPECIFICITY;
  let raisedOver: Applied | undefined;

  for (const property of properties) {
    const { beaten } = planned.get(property)!;
    const strong = beaten.filter((applied) => applied.declaration.important || applied.inline);
    if (strong.length || input.over?.important?.has(property)) important.add(property);
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

  const { over } = input;
  const restated = over?.sameRows ?? false;
  const own = asOneSelector(input.part.selector);
  const pseudo = input.part.part.pseudo;
  // A pseudo-element brings its own weight to every rule about it.
  let asked: Specificity = pseudo === undefined ? needed : [needed[0], needed[1], Math.max(0, needed[2] - 1)];
  if (over && compareSpecificity(over.weight, asked) > 0) asked = over.weight;
  const raised = compareSpecificity(asked, own.specificity) > 0;
  const baseSelector = raised
    ? raiseTo(input.part.selector, asked, input.part.part.ownPseudoStates ? 'root' : undefined)
    : own.text;
  const base = specificityOf(baseSelector);
  const weight: Specificity = pseudo === undefined ? base : [base[0], base[1], base[2] + 1];
  const entries = properties.flatMap((property) => {
    const { entries: all, needed } = planned.get(property)!;
    const isImportant = important.has(property);
    const key = `${weight.join()} ${isImportant} ${restated}`;
    let kept = needed.get(key);
    if (!kept) {
      kept = all.filter(
        (entry) => entry.from === 'look' || restated || isNeeded(entry, all, targets, weight, isImportant),
      );
      needed.set(key, kept);
    }
    return kept;
  });
  return {
    part: input.part,
    baseSelector,
    rules: toRules(entries, baseSelector, important, input),
    unbeatable,
    raisedOver: raised ? raisedOver : undefined,
  };
}

/** The site's winners in all states in which the look is to decide instead. */
function beatenBy(targets: readonly Target[], property: string): Applied[] {
  const found = new Set<Applied>();
  for (const { resolver } of targets) {
    for (const state of resolver.sets) {
      if (resolver.decide(property, state).from !== 'look') continue;
      const winner = resolver.siteWinner(property, state);
      if (winner?.origin === 'author') found.add(winner);
    }
  }
  return [...found];
}

/** Entries in rank order: what the look sets, and what must be restated for the states above it. */
function entriesFor(
  input: PlanInput,
  targets: readonly Target[],
  sets: readonly StateBits[],
  property: string,
): Entry[] {
  const entries: Entry[] = [];
  for (const state of sets) {
    const here = targets.filter((target) => target.sets.has(state));
    const chosen = new Set<Setting>();
    const wanted = new Map<Target, { decision: Decision; value: string }>();
    for (const target of here) {
      const decision = target.resolver.decide(property, state);
      if (decision.setting && decision.set === state) chosen.add(decision.setting);
      wanted.set(target, { decision, value: valueOf(target, decision, property, state) });
    }
    for (const setting of [...chosen].sort(compareConditions)) entries.push(lookEntry(input, targets, setting, state));
    const missing = [...wanted].filter(([target, want]) => {
      const emitted = deciding(entries, target, state);
      // Before anything is emitted the site decides by itself, unless rules before these speak about the row.
      return emitted ? emitted.value !== want.value : (input.over?.sameRows ?? false);
    });
    if (missing.length) entries.push(...restate(missing, here, targets, state, property));
  }
  return entries;
}

function lookEntry(input: PlanInput, targets: readonly Target[], setting: Setting, states: StateBits): Entry {
  const exception = setting.exception === undefined ? undefined : input.exceptions.get(setting.exception);
  const holding = input.cases.filter((where) => holdsIn(setting, input.place, where.environment));
  const groups =
    exception &&
    new Set(targets.map(({ group }) => group).filter((group) => exception.elements.has(group.subject.element)));
  return {
    states,
    property: setting.property,
    value: setting.value,
    from: 'look',
    groups,
    member: exception?.selector,
    order: conditionOrder(input, setting),
    cases: holding.length === input.cases.length ? undefined : new Set(holding),
  };
}

/** The order of `compareConditions` as a number, so that rules that hold several properties can be put in it. */
function conditionOrder(input: PlanInput, setting: Setting): number {
  const { exception } = setting;
  const which = exception === undefined ? 0 : 1 + [...input.exceptions.keys()].sort().indexOf(exception);
  return conditionRanks(setting).reduce((order, rank) => order * 10 + rank, which);
}

/** A restated value is needed only where it, and not the site's own rule, would have to win. */
function isNeeded(
  entry: Entry,
  planned: readonly Entry[],
  targets: readonly Target[],
  weight: Specificity,
  important: boolean,
): boolean {
  for (const target of targets) {
    if (!appliesTo(entry, target)) continue;
    for (const state of target.resolver.sets) {
      if (deciding(planned, target, state) !== entry) continue;
      const winner = target.resolver.siteWinner(entry.property, state);
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
  input: PlanInput,
): PlannedRule[] {
  const rules = new Map<
    string,
    PlannedRule & { readonly declarations: PlannedDeclaration[]; readonly order: number }
  >();
  const selectorFor = (entry: Entry): string => {
    if (entry.member !== undefined) return `${baseSelector}:where(${entry.member})`;
    if (!entry.groups || entry.groups.size === input.groups.length) return baseSelector;
    const chosen = [...entry.groups].flatMap(({ members }) => members);
    const others = input.groups.flatMap((group) => (entry.groups!.has(group) ? [] : group.members));
    return `${baseSelector}:where(${tellingApart(chosen, others).join(', ')})`;
  };
  const isByPlace = ({ member, groups }: Entry) =>
    member === undefined && groups !== undefined && groups.size < input.groups.length;
  entries.forEach((entry) => {
    const selector = selectorFor(entry);
    for (const media of entry.cases ? mediaFor([...entry.cases], input.cases) : ['']) {
      const key = `${entry.states}|${entry.order}|${selector}|${media}`;
      let rule = rules.get(key);
      if (!rule) {
        const { states, order } = entry;
        rules.set(key, (rule = { states, media, selector, byPlace: isByPlace(entry), declarations: [], order }));
      }
      rule.declarations.push({
        property: entry.property,
        value: entry.value,
        important: important.has(entry.property),
        from: entry.from,
      });
    }
  });
  return [...rules.values()].sort((a, b) => a.states - b.states || a.order - b.order);
}
