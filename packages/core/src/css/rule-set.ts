import type { Applied } from './applied.js';
import { compareApplied } from './applied.js';
import { isLogical, physicalName, type Flow } from './property/logical.js';
import type { EnvironmentRules, MatchedEntry } from './rules.js';
import type { Declaration } from './sheet.js';

const LOGICAL_STEMS = [
  ...['margin', 'padding', 'inset', 'scroll-margin', 'scroll-padding'].map((stem) => [stem, ''] as const),
  ...['-color', '-style', '-width'].map((tail) => ['border', tail] as const),
];
const LOGICAL_NAMES = [
  ...LOGICAL_STEMS.flatMap(([stem, tail]) =>
    ['block-start', 'block-end', 'inline-start', 'inline-end'].map((edge) => `${stem}-${edge}${tail}`),
  ),
  ...['', 'min-', 'max-'].flatMap((stem) => [`${stem}inline-size`, `${stem}block-size`]),
  ...['start-start', 'start-end', 'end-start', 'end-end'].map((corner) => `border-${corner}-radius`),
  ...['overflow', 'overscroll-behavior'].flatMap((stem) => [`${stem}-inline`, `${stem}-block`]),
].filter(isLogical);

const logicalByFlow = new Map<string, ReadonlyMap<string, readonly string[]>>();

/** Logical names that set a physical property in a flow. */
function logicalNamesOf(property: string, flow: Flow): readonly string[] {
  const key = `${flow.vertical}|${flow.blockFromRight}|${flow.inlineFromEnd}`;
  let names = logicalByFlow.get(key);
  if (!names) {
    const map = new Map<string, string[]>();
    for (const name of LOGICAL_NAMES) {
      const physical = physicalName(name, flow);
      map.set(physical, [...(map.get(physical) ?? []), name]);
    }
    logicalByFlow.set(key, (names = map));
  }
  return names.get(property) ?? [];
}

/**
 * The rules that match an element in some state, with what its attributes add. Elements that are matched by the same
 * rules share one, and its cascade is worked out once for each property that is asked for.
 */
export class RuleSet {
  private readonly lists = new Map<string, readonly Applied[]>();

  constructor(
    readonly serial: number,
    private readonly matched: readonly MatchedEntry[],
    private readonly rules: EnvironmentRules,
    private readonly own: readonly Applied[],
  ) {}

  /** Declarations in the running for a property, weakest first. */
  running(property: string, flow: Flow): readonly Applied[] {
    const key =
      flow.vertical || flow.inlineFromEnd
        ? `${property}|${flow.vertical}|${flow.blockFromRight}|${flow.inlineFromEnd}`
        : property;
    let list = this.lists.get(key);
    if (!list) this.lists.set(key, (list = this.gather(property, flow)));
    return list;
  }

  private gather(property: string, flow: Flow): readonly Applied[] {
    const logical = logicalNamesOf(property, flow);
    const found: Applied[] = [];
    for (const { entry, proximity } of this.matched) {
      const { rule, selector, origin, order } = entry;
      const take = (declaration: Declaration) =>
        found.push({
          declaration,
          origin,
          inline: false,
          hint: false,
          layer: this.rules.rankOf(entry),
          specificity: selector.specificity,
          proximity,
          order,
          rule,
          selector,
        });
      rule.byProperty.get(property)?.forEach(take);
      for (const name of logical) rule.byProperty.get(name)?.forEach(take);
    }
    for (const applied of this.own) {
      const name = applied.declaration.property;
      if (name === property || logical.includes(name)) found.push(applied);
    }
    return found.length > 1 ? found.sort(compareApplied) : found;
  }

  /** Names of the properties that some declaration sets, logical ones as they are written. */
  get declared(): Set<string> {
    const names = new Set<string>();
    for (const { entry } of this.matched) for (const name of entry.rule.byProperty.keys()) names.add(name);
    for (const { declaration } of this.own) names.add(declaration.property);
    return names;
  }
}
