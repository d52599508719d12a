import type { Check, Level } from '../check/check.js';
import { checkText } from '../check/text.js';
import { textCarriers } from '../check/text-case.js';
import { findTargets } from '../component/find.js';
import { DESKTOP, type Environment } from '../css/conditions/environment.js';
import { AT_REST, forceStates } from '../css/selector/forced.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { NamedState } from '../css/selector/named-states.js';
import { ACTIVE, CARRIED, closeBits, FOCUS, HOVER } from '../css/selector/states.js';
import { columnNamed, shownBits } from '../component/states.js';
import { pathSelector } from '../tree/path.js';
import { ancestors, hasOwnText, readableText, type ElementNode } from '../tree/tree.js';
import { EMPTY_LOOK } from '../look/model.js';
import { finish, type Steps } from '../base/steps.js';
import { seenPage, type SeenPage } from '../session/seen-page.js';
import type { PageSession } from '../parts/page-session.js';

/** One check of one text in one state. */
export interface LedgerEntry {
  readonly element: ElementNode;
  /** A selector that reaches the element alone. */
  readonly select: string;
  readonly text: string;
  /** Kind of the component that the text belongs to, or `text`. */
  readonly part: string;
  readonly state: string;
  readonly check: Check;
  /** What is asked, where it is not the contrast of a text. */
  readonly demand?: string;
  /** True where it was measured as if no picture had loaded. */
  readonly withoutPictures?: boolean;
}

export interface LedgerOptions {
  readonly environment?: Environment;
  readonly states: readonly NamedState[];
  readonly level?: Level;
  /** Contrast of texts alone, or all that is asked of components too. */
  readonly demands?: 'text' | 'all';
  /** Only texts of these elements and of what they hold. */
  readonly within?: readonly ElementNode[];
}

const LONGEST = 80;

const textShown = (element: ElementNode): string =>
  (readableText(element) || element.attributes.get('value') || '').slice(0, LONGEST);

/** Same figures and colours, so that a state changed nothing for this text. */
const sameResult = (a: Check, b: Check): boolean =>
  a.verdict === b.verdict &&
  a.measured === b.measured &&
  a.reason === b.reason &&
  JSON.stringify([a.foreground, a.background]) === JSON.stringify([b.foreground, b.background]);

/**
 * Checks every text of a page, in document order. Texts of components are checked in each state; others too, where the
 * pointer over them changes what is seen. Focus belongs to what can have it: the component around the text.
 */
export function pageLedger(page: PageSession | SeenPage, options: LedgerOptions): LedgerEntry[] {
  return finish(pageLedgerSteps('seen' in page ? page : seenPage(page), options));
}

/** The same bit by bit: it can be left after each component. */
export function* pageLedgerSteps(seen: SeenPage, options: LedgerOptions): Steps<LedgerEntry[]> {
  const { demands = 'text' } = options;
  const entries = textEntries(seen, options);
  if (demands === 'all') {
    const of = seen.page.components().length + seen.page.rest().length + 1;
    let done = 1;
    yield { done, of };
    for (const own of componentEntries(seen, options)) {
      for (const entry of own) entries.push(entry);
      yield { done: ++done, of };
    }
  }
  return entries;
}

/** The contrast of every text. */
function textEntries({ page, pages, measures }: SeenPage, options: LedgerOptions): LedgerEntry[] {
  const { environment = DESKTOP, states, level = 'AA', within } = options;
  const styles = pages.at().stylesFor(environment);
  const wanted = within && new Set(within);
  const owners = findTargets(page.stylesFor());
  const atRest = styles.at(AT_REST);
  const looking = (view: StyledPage) => measures.looking(view);
  const carriers = page.tree.elements.filter(
    (element) => (hasOwnText(element) || element.name === 'input') && textCarriers(element).includes(element),
  );
  const entries: LedgerEntry[] = [];
  for (const element of carriers) {
    const path = [element, ...ancestors(element)];
    if (path.some((node) => NEVER_SHOWN.has(node.name))) continue;
    if (wanted && !path.some((node) => wanted.has(node))) continue;
    const owner = path.find((node) => owners.has(node));
    const rest = checkText(looking(atRest), element, level);
    const common = {
      element,
      select: pathSelector(element),
      text: textShown(element),
      part: (owner && owners.get(owner)) ?? 'text',
    };
    for (const state of states) {
      if (!state.bits) {
        entries.push({ ...common, state: state.name, check: rest });
        continue;
      }
      // A pointer is over the text itself; focus and press are the component's.
      if (!owner && state.bits & ~HOVER) continue;
      const target = owner ?? element;
      const pointed = state.bits & (HOVER | ACTIVE);
      const forced = forceStates([
        [target, state.bits],
        ...(target !== element && pointed && !(state.bits & FOCUS) ? [[element, pointed] as const] : []),
      ]);
      const check = checkText(looking(styles.at(forced)), element, level);
      if (!owner && sameResult(check, rest)) continue;
      entries.push({ ...common, state: state.name, check });
    }
    if (rest.varies === 'picture') {
      const check = checkText({ ...looking(atRest), withoutPictures: true }, element, level);
      entries.push({ ...common, state: 'default', check, demand: 'Picture missing', withoutPictures: true });
    }
  }
  return entries;
}

/** What is asked of the page's components beside the contrast of their texts, component by component. */
function* componentEntries(seen: SeenPage, options: LedgerOptions): Generator<LedgerEntry[], void, void> {
  const { environment = DESKTOP, states, level = 'AA', within } = options;
  const wanted = within && new Set(within);
  const asked = closeBits(states.reduce((bits, state) => bits | state.bits, 0));
  const isAsked = (name: string) => {
    const column = columnNamed(name);
    return column !== undefined && (shownBits(column) & ~CARRIED & ~asked) === 0;
  };
  for (const { kind, locator } of [...seen.page.components(), ...seen.page.rest()]) {
    const component = seen.component({ kind, locator });
    if (wanted && ![component.element, ...ancestors(component.element)].some((node) => wanted.has(node))) continue;
    yield component
      .ledger(EMPTY_LOOK, { viewports: [{ name: '', environment }], level })
      .filter(({ criterion, column }) => criterion !== '1.4.3' && criterion !== '1.4.6' && isAsked(column))
      .map((check): LedgerEntry => {
        const { element } = component.standingFor(check.part);
        return {
          element,
          select: pathSelector(element),
          text: textShown(element),
          part: kind,
          state: check.column,
          check,
          demand: check.label,
        };
      });
  }
}

const NEVER_SHOWN = new Set([
  'head',
  'script',
  'style',
  'template',
  'noscript',
  'title',
  'option',
  'optgroup',
  'datalist',
]);
