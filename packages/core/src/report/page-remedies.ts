import type { Level } from '../check/check.js';
import { worstOf } from '../check/text.js';
import { columnNamed } from '../component/states.js';
import type { Environment } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK, type Look, type Setting } from '../look/model.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import type { Remedy } from '../remedy/remedy.js';
import type { ComponentSession } from '../session/component-session.js';
import { seenPage } from '../session/seen-page.js';
import type { PageSession } from '../parts/page-session.js';
import type { ComponentPlace } from '../parts/placed-component.js';
import { isDue } from '../ledger/due.js';
import { Remedies } from '../remedy/remedies.js';
import { solve } from '../remedy/solve.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';

/** A check that falls short, with suggested fixes of it, the best first. */
export interface CheckWays {
  /** As it is at the viewport where it fares worst. */
  readonly check: LedgerCheck;
  /** What the part and the state are called. */
  readonly part: string;
  readonly state: string;
  readonly ways: readonly (Remedy & { readonly css: string })[];
}

/** Suggested fixes of what falls short in one component of a page, as the site has it. */
export interface ComponentWays {
  readonly kind: string;
  readonly name: string;
  readonly selector: string;
  /** One step that mends as many checks as can be, with its CSS; empty where nothing helps. */
  readonly together: {
    readonly css: string;
    readonly mended: readonly LedgerCheck[];
    readonly unmet: readonly { readonly check: LedgerCheck; readonly why: string }[];
  };
  /** Each check by itself; only where that was asked for. */
  readonly checks: readonly CheckWays[];
}

export interface WaysOptions {
  readonly viewports: readonly { readonly name: string; readonly environment: Environment }[];
  readonly level?: Level;
  /** Each check by itself too, which takes longer. */
  readonly each?: boolean;
  /** Only components that are these elements, or stand in them or around them. */
  readonly within?: readonly ElementNode[];
}

/** Suggested fixes that are given for one check. */
const MOST_WAYS = 4;

/** A component of a page with the look that it wears. */
export interface Wearing {
  readonly session: ComponentSession;
  readonly look: Look;
}

/**
 * Suggested fixes for all components of a page that fall short somewhere, in the order in which they stand, and for what
 * belongs to none of them, by section.
 *
 * @param wearing what a component wears; nothing where it is absent
 */
export function pageRemedies(
  page: PageSession,
  options: WaysOptions,
  wearing: (place: ComponentPlace) => Wearing = ({ kind, locator }) => ({
    session: seenPage(page).component({ kind, locator }),
    look: EMPTY_LOOK,
  }),
): ComponentWays[] {
  const { viewports, level = 'AA', each = false, within } = options;
  const wanted = within && new Set(within);
  const request = { viewports, level, at: viewports[0]!.name };
  const found: ComponentWays[] = [];
  for (const { kind, name, selector, locator } of [...page.components(), ...page.rest()]) {
    const { session: component, look } = wearing({ kind, locator });
    if (wanted && !isWithin(component.element, wanted)) continue;
    const due = component.ledger(look, request).filter((check) => isDue(check, level));
    if (!due.length) continue;
    const cssOf = (settings: readonly Setting[]) =>
      settings.length ? component.handover(changeLook(look, settings), name).css : '';
    const { settings, mended, unmet } = solve(component, look, { of: 'component' }, request);
    found.push({
      kind,
      name,
      selector,
      together: { css: cssOf(settings), mended, unmet },
      checks: each ? distinctChecks(due).map((check) => waysFor(component, check)) : [],
    });

    function waysFor(session: ComponentSession, check: LedgerCheck): CheckWays {
      const remedies = new Remedies(session, look, { ...request, at: check.viewport });
      return {
        check,
        part: session.parts.find(({ part }) => part.name === check.part)?.part.label ?? check.part,
        state: (columnNamed(check.column)?.label ?? check.column).toLowerCase(),
        ways: remedies
          .propose(check)
          .slice(0, MOST_WAYS)
          .map((way) => ({ ...way, css: cssOf(way.settings) })),
      };
    }
  }
  return found;
}

const isWithin = (element: ElementNode, wanted: ReadonlySet<ElementNode>): boolean =>
  [element, ...ancestors(element)].some((node) => wanted.has(node)) ||
  [...wanted].some((node) => [...ancestors(node)].includes(element));

/** Each check once, as it is where it fares worst. */
function distinctChecks(checks: readonly LedgerCheck[]): LedgerCheck[] {
  const groups = new Map<string, LedgerCheck[]>();
  for (const check of checks) {
    const key = `${check.part} ${check.column} ${check.demand}`;
    groups.set(key, [...(groups.get(key) ?? []), check]);
  }
  return [...groups.values()].map((group) => worstOf(group) as LedgerCheck);
}
