import { isSubset, type StateBits } from '../css/selector/states.js';
import type { Subject } from '../component/subject.js';
import type { Decision, LookResolver } from '../look/resolve.js';
import type { ElementNode } from '../tree/tree.js';
import type { EnvironmentCase } from './environments.js';

/** Subjects that all rules of the page treat alike, with one that stands for them. */
export interface SubjectGroup {
  readonly subject: Subject;
  readonly members: readonly ElementNode[];
}

/** A group of elements in one environment, with what decides there. */
export interface Target {
  readonly group: SubjectGroup;
  readonly where: EnvironmentCase;
  readonly resolver: LookResolver;
  readonly sets: ReadonlySet<StateBits>;
}

/** A value in a state set, as it may become a declaration. */
export interface Entry {
  readonly states: StateBits;
  readonly property: string;
  readonly value: string;
  readonly from: 'look' | 'site';
  readonly groups: ReadonlySet<SubjectGroup> | undefined;
  /** How a rule says which elements, where they are an exception's. */
  readonly member: string | undefined;
  /** Place among the rules of its state set; the later wins. */
  readonly order: number;
  readonly cases: ReadonlySet<EnvironmentCase> | undefined;
}

export const appliesTo = (entry: Entry, target: Target): boolean =>
  (!entry.groups || entry.groups.has(target.group)) && (!entry.cases || entry.cases.has(target.where));

/** Of the entries that hold for a target in a state, the one that the browser will take: the highest, then the last. */
export function deciding(entries: readonly Entry[], target: Target, state: StateBits): Entry | undefined {
  let best: Entry | undefined;
  for (const entry of entries) {
    if (!isSubset(entry.states, state) || !appliesTo(entry, target)) continue;
    if (!best || entry.states >= best.states) best = entry;
  }
  return best;
}

/** What a target is to have: as the look decides, or as the site has it. */
export const valueOf = ({ resolver }: Target, { from, value }: Decision, property: string, state: StateBits): string =>
  from === 'look' ? value! : resolver.siteStyle(state).restated(property);

/** One entry for each value, for all targets alike or for those that want it. */
export function restate(
  missing: readonly (readonly [Target, { value: string }])[],
  here: readonly Target[],
  all: readonly Target[],
  states: StateBits,
  property: string,
): Entry[] {
  const byValue = new Map<string, Target[]>();
  for (const [target, { value }] of missing) byValue.set(value, [...(byValue.get(value) ?? []), target]);
  const entry = (value: string, groups: Entry['groups'], cases: Entry['cases']): Entry => ({
    states,
    property,
    value,
    from: 'site',
    groups,
    member: undefined,
    // What is restated for some comes last; for all, no setting speaks about it in this state.
    order: groups || cases ? Infinity : 0,
    cases,
  });
  if (byValue.size === 1 && missing.length === here.length) {
    const [value] = byValue.keys();
    return [entry(value!, undefined, undefined)];
  }
  const everyCase = new Set(all.map((target) => target.where));
  const everyGroup = new Set(all.map((target) => target.group));
  return [...byValue].flatMap(([value, wanting]) => {
    // Elements that want the value in the same cases share a rule.
    const casesOf = new Map<SubjectGroup, EnvironmentCase[]>();
    for (const { group, where } of wanting) casesOf.set(group, [...(casesOf.get(group) ?? []), where]);
    const shared = new Map<string, { groups: Set<SubjectGroup>; cases: Set<EnvironmentCase> }>();
    for (const [group, cases] of casesOf) {
      const key = cases.map((item) => `${item.scheme}${item.reduced}${item.from}`).join();
      const known = shared.get(key) ?? { groups: new Set(), cases: new Set(cases) };
      known.groups.add(group);
      shared.set(key, known);
    }
    return [...shared.values()].map(({ groups, cases }) =>
      entry(
        value,
        groups.size === everyGroup.size ? undefined : groups,
        cases.size === everyCase.size ? undefined : cases,
      ),
    );
  });
}
