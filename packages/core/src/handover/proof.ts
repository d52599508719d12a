import type { CascadeSheet, RuleIndex } from '../css/rules.js';
import { parseSheet } from '../css/parse-sheet.js';
import type { StateBits } from '../css/selector/states.js';
import { PageStyles } from '../css/styles.js';
import { Forcer, LookResolver } from '../look/resolve.js';
import type { ElementNode } from '../page/tree.js';
import type { EnvironmentCase } from './environments.js';
import type { PlanInput } from './plan.js';

/** A case in which the handed-over CSS does not give what the look says. */
export interface ProofFailure {
  readonly element: ElementNode;
  readonly states: StateBits;
  readonly where: EnvironmentCase;
  readonly property: string;
  readonly wanted: string;
  readonly got: string;
}

export interface Proof {
  /** How many values were compared: element × state × environment × property. */
  readonly compared: number;
  readonly failures: readonly ProofFailure[];
}

export const asLastSheet = (css: string): CascadeSheet => ({
  sheet: parseSheet('retoque.css', css),
  origin: 'author',
  conditions: [],
  layer: [],
});

/**
 * Puts the CSS behind the site's own sheets and compares, for every element in every state and environment, what then
 * wins with what the look asks for.
 */
export function prove(input: PlanInput, css: string, index: RuleIndex, elements: readonly ElementNode[]): Proof {
  const forcer = new Forcer();
  const failures: ProofFailure[] = [];
  let compared = 0;
  const withLook = index.extended([asLastSheet(css)]);
  for (const where of input.cases) {
    const site = input.stylesIn(where);
    const result = new PageStyles(withLook, where.environment, site.known);
    for (const element of elements) {
      const resolver = new LookResolver(site, element, input.part, input.look, forcer);
      for (const states of resolver.sets) {
        const forced = forcer.force(element, states);
        const style = result.at(forced).of(element);
        const before = site.at(forced).of(element);
        for (const property of resolver.touched) {
          const decision = resolver.decide(property, states);
          const declared = decision.from === 'look' ? decision.value! : before.restated(property);
          // A value that the browser's sheet gives is compared with what it gave before.
          const wanted = declared === 'revert' ? before.text(property) : style.computedFrom(property, declared);
          const got = style.text(property);
          compared++;
          if (wanted !== got) failures.push({ element, states, where, property, wanted, got });
        }
      }
    }
  }
  return { compared, failures };
}
