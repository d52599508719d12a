import { parseSheet } from '../css/sheet/parse-sheet.js';
import type { CascadeSheet } from '../css/cascade/rule-entry.js';
import type { StateBits } from '../css/selector/states.js';
import { Forcer } from '../component/subject.js';
import { LookResolver } from '../look/resolve.js';
import { statesShared } from '../look/site-winners.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ElementNode } from '../tree/tree.js';
import type { EnvironmentCase } from './environments.js';
import { settingsFor, type PlanInput } from './plan.js';

/** A case in which the handed-over CSS does not give what the look says. */
export interface ProofFailure {
  readonly part: string;
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

export const asLastSheet = (css: string, name = 'retoque.css'): CascadeSheet => ({
  sheet: parseSheet(name, css),
  origin: 'author',
  conditions: [],
  layer: [],
});

/** What is not asked of a look, as another decides it. */
export type Except = (element: ElementNode, pseudo: string | undefined, property: string) => boolean;

/**
 * Puts the CSS behind the site's own sheets and compares, for every subject of every part in every state and
 * environment, what then wins with what the look asks for.
 */
export function prove(inputs: readonly PlanInput[], css: string, pages: StagedPages): Proof {
  return proveOn(inputs, pages, pages.extended([asLastSheet(css)]));
}

const REVERTS: ReadonlySet<string> = new Set(['revert', 'revert-layer']);

/**
 * Compares what wins on pages with all of a handover on them with what a look asks for.
 *
 * @param pages what the look is resolved over
 * @param withLook the same pages with the handover on them
 * @param except what another look decides
 */
export function proveOn(
  inputs: readonly PlanInput[],
  pages: StagedPages,
  withLook: StagedPages,
  except: Except = () => false,
): Proof {
  const forcer = new Forcer();
  const failures: ProofFailure[] = [];
  let compared = 0;
  for (const input of inputs) {
    for (const where of input.cases) {
      // What the CSS says in a state for some of a part must not be seen on the others.
      const shared = statesShared(pages, where.environment, input.part.subjects);
      for (const subject of input.part.subjects) {
        const { element, pseudo } = subject;
        const settings = settingsFor(input, element);
        const resolver = new LookResolver(pages, where.environment, subject, settings, input.place, forcer, shared);
        const properties = resolver.touched.filter((property) => !except(element, pseudo, property));
        if (!properties.length) continue;
        for (const states of resolver.sets) {
          const style = forcer.see(withLook, where.environment, subject, states).style;
          const before = resolver.siteStyle(states);
          for (const property of properties) {
            const decision = resolver.decide(property, states);
            const isSet = decision.from === 'look';
            const declared = isSet ? decision.value! : before.restated(property);
            // What the browser's own sheet gives is read as it would be given now, since parents may have changed.
            const isBrowsers = !isSet && declared === 'revert';
            const given = isBrowsers ? before.winner(property)!.declaration.value : declared;
            // Such a value is whatever it uncovers; what can be told is that it wins.
            const reverts = REVERTS.has(given.trim().toLowerCase());
            const wanted = reverts ? given : style.computedFrom(property, given);
            const got = reverts ? (style.running(property).at(-1)?.declaration.value ?? '') : style.text(property);
            compared++;
            if (wanted === got) continue;
            failures.push({ part: input.part.part.name, element, states, where, property, wanted, got });
          }
        }
      }
    }
  }
  return { compared, failures };
}
