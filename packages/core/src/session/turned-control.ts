import { statelessCompound } from '../component/fitting.js';
import { siteSelectors } from '../component/find.js';
import { PROPERTIES, propertyInfo } from '../css/property/table.js';
import { locatorFor, selectAll, type Locator } from '../css/selector/locator.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { columnNamed, POINTED } from '../component/states.js';
import type { StateColumn } from '../component/state-column.js';
import { EMPTY_LOOK, statesOf, type Look, type Setting } from '../look/model.js';
import { asControl } from '../page/as-control.js';
import { changePage, sourceOf } from '../page/change.js';
import { PageSession } from '../parts/page-session.js';
import { pathSelector } from '../tree/path.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import { ComponentSession } from './component-session.js';

/** One text that became a control. */
export interface Turned {
  readonly order: number;
  readonly locator: Locator;
  readonly before: string;
  readonly html: string;
}

export interface TurnedControls {
  /** In the order in which they are to be changed: the last of the page first, so that each is found by its place. */
  readonly controls: readonly Turned[];
  /** What keeps them looking as the texts did, in every state; empty where the site's own rules do. */
  readonly css: string;
  /** A look of theirs, with what its selectors reached reached again. */
  readonly retarget: (look: Look) => Look;
}

/** What others are computed from, set first: so no value that follows them is said once more. */
const FIRST = ['color', 'font-size', 'font-family', 'font-weight', 'font-style', 'line-height'];

/** What a control has of its own, and a text has not: its ring, and the pointer's shape over it. */
const OF_CONTROLS = /^(outline|cursor)/;

const COMPARED = [...PROPERTIES.keys()].filter((name) => !OF_CONTROLS.test(name));

/** A value as it is to be said: what came down to the text, and was not said of it, comes down to the control. */
function saidOf(style: ElementStyle, property: string): string {
  const { origin = 'browser' } = style.winner(property) ?? {};
  return origin === 'browser' && propertyInfo(property).inherited ? 'inherit' : style.text(property);
}

/** The look that gives a component, in each of its states, what other elements have. */
function lookLike(now: ComponentSession, was: TextStyle): Look {
  const [root] = now.sheet(EMPTY_LOOK).parts;
  // The text may have rules for states of which nothing tells on the control.
  const names = new Set([...POINTED, ...root!.columns]);
  const columns = [...names].map((name) => columnNamed(name)!);
  let look = EMPTY_LOOK;
  for (const properties of [FIRST, COMPARED]) {
    for (const column of columns) {
      const style = was(column);
      const values = now.valuesIn(look, root!.name, column, {}, properties);
      const when = { states: statesOf(root!.name, column.atoms) };
      const settings = properties
        .filter((property) => values.get(property) !== style.text(property))
        .map((property): Setting => ({ part: root!.name, property, when, value: saidOf(style, property) }));
      if (settings.length) look = { ...look, settings: [...look.settings, ...settings] };
    }
  }
  return look;
}

/** True where a selector reaches these elements and no others. */
function reachesOnly(page: PageSession, selector: string, elements: readonly ElementNode[]): boolean {
  const reached = new Set(selectAll(page.tree, selector));
  return reached.size === elements.length && elements.every((element) => reached.has(element));
}

/** A selector that an owner would write for exactly these elements; undefined where there is none. */
function selectorFor(page: PageSession, elements: readonly ElementNode[]): string | undefined {
  const [first] = elements;
  const own = statelessCompound(first!);
  const within = [...selfAndAncestors(first!)].slice(1).map((around) => `${statelessCompound(around)} ${own}`);
  return [...siteSelectors(first!, page.stylesFor()), own, ...within].find((selector) =>
    reachesOnly(page, selector, elements),
  );
}

/**
 * Texts of a page as links or buttons, and the CSS that keeps their look where the site's rules, or the browser's, tell
 * the two apart.
 *
 * @param orders of the texts in the page's tree
 */
export function turnIntoControls(page: PageSession, orders: readonly number[], tag: 'a' | 'button'): TurnedControls {
  const { elements } = page.tree;
  const controls = [...orders]
    .sort((a, b) => b - a)
    .flatMap((order): Turned[] => {
      const before = sourceOf(page.source.html, order);
      const html = before === undefined ? undefined : asControl(before, tag);
      if (before === undefined || html === undefined) return [];
      const element = elements[order]!;
      return [{ order, before, html, locator: locatorFor(element, pathSelector(element)) }];
    });
  if (!controls.length) return { controls, css: '', retarget: (look) => look };
  const changes = controls.map(({ locator, html }) => ({ locator, html, place: 'instead' as const, css: '' }));
  const next = new PageSession({ ...page.source, html: changePage(page.source.html, changes).html });
  const turned = controls.map(({ order }) => next.tree.elements[order]!);

  const texts = new Map(turned.map((element) => [element, textOn(page, elements[element.order]!)]));
  const cssOf = (group: readonly ElementNode[], selector: string): string => {
    const [first] = group;
    const now = new ComponentSession(next, 'button', locatorFor(first!, selector));
    const look = lookLike(now, texts.get(first!)!);
    return look.settings.length ? now.handover(look, `${tag} as it was`, []).css : '';
  };
  const selector = selectorFor(next, turned);
  const looks = new Set([...texts.values()].map(lookText));
  const css =
    selector !== undefined && looks.size === 1
      ? [cssOf(turned, selector)]
      : turned.map((element) => cssOf([element], selectorFor(next, [element]) ?? pathSelector(element)));
  return { controls, css: css.filter(Boolean).join('\n\n'), retarget: (look) => retargeted(look, page, next) };
}

/** A look whose selectors reach on one page what they reached on another of the same elements. */
function retargeted(look: Look, from: PageSession, to: PageSession): Look {
  const again = (selector: string): string => {
    const reached = selectAll(from.tree, selector).map(({ order }) => to.tree.elements[order]!);
    if (!reached.length || reachesOnly(to, selector, reached)) return selector;
    const one = selectorFor(to, reached);
    return one ?? reached.map((element) => selectorFor(to, [element]) ?? pathSelector(element)).join(', ');
  };
  const parts = Object.entries(look.parts ?? {}).map(([name, selector]) => [name, again(selector)] as const);
  return {
    ...look,
    exceptions: look.exceptions.map((own) => ({ ...own, members: own.members.map(again) })),
    ...(look.parts ? { parts: Object.fromEntries(parts) } : {}),
  };
}

/** What a text looks like in a state. */
type TextStyle = (column: StateColumn) => ElementStyle;

function textOn(page: PageSession, element: ElementNode): TextStyle {
  const session = new ComponentSession(page, 'button', locatorFor(element, pathSelector(element)));
  return ({ shown }) => session.styleIn(shown, element.order);
}

/** The same for texts that look alike in every state that they can be in. */
const lookText = (style: TextStyle): string =>
  POINTED.map((name) => style(columnNamed(name)!))
    .map((own) => COMPARED.map((property) => own.text(property)).join('|'))
    .join('||');
