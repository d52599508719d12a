import type { Steps } from '../base/steps.js';
import { toHex } from '../colour/print.js';
import { inlineDeclarations } from '../css/cascade/applied.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import type { Condition, RawDeclaration, StyleRule } from '../css/sheet/sheet.js';
import { DESKTOP } from '../css/conditions/environment.js';
import { matchEntry, type RuleEntry } from '../css/cascade/rule-entry.js';
import { AT_REST, contextOf, forceStates } from '../css/selector/forced.js';
import { closeBits, FOCUS_WITHIN, type StateBits } from '../css/selector/states.js';
import type { MatchContext } from '../css/selector/types.js';
import type { PageSession } from '../parts/page-session.js';
import { coloursIn, isMeant, type ColourSwap } from '../palette/in-value.js';
import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import type { SiteUnder } from './site.js';

/** A declaration of the site that has a colour. */
export interface ColourUse {
  /** Of its rule as written; empty for a style attribute. */
  readonly selector: string;
  readonly property: string;
  readonly value: string;
  readonly sheet: string;
  /** From 1; of a style attribute that of the element is not known, and this is 0. */
  readonly line: number;
  /** Media queries and their like around it, the outermost first. */
  readonly conditions: readonly string[];
  /** The custom property that it has the colour through. */
  readonly through: string | undefined;
  /** True for a colour that looks alike and is another. */
  readonly isNear: boolean;
  /** Elements that the rule reaches in some state, on all pages. */
  readonly reached: number;
  /** True where it reaches elements, and something else wins on every one. */
  readonly isOverridden: boolean;
  /** Names of the components that hold these elements. */
  readonly components: readonly string[];
  /** Names of the pages that have it. */
  readonly pages: readonly string[];
}

/** Longhands whose values hold colours; the others of a shorthand say nothing of them. */
const HOLDS = /(color|image|shadow|filter)$/;

/** Elements of one rule that are asked what wins on them. */
const MOST_ASKED = 40;

type Wanted = Pick<ColourSwap, 'from' | 'near'>;

/**
 * Where the sheets and style attributes of a site have a colour, whatever it lets through: in any property, shorthand,
 * gradient or custom property, in any state and under any condition.
 */
export function* findingColour(site: SiteUnder, wanted: Wanted): Steps<ColourUse[]> {
  const found = new Map<string, ColourUse>();
  let done = 0;
  for (const { version, name } of site.pages) {
    for (const use of usesOn(site.on(version).page, name, wanted)) {
      const key = JSON.stringify([use.sheet, use.line, use.selector, use.property, use.value]);
      const known = found.get(key);
      found.set(key, known ? together(known, use) : use);
    }
    yield { done: ++done, of: site.pages.length };
  }
  return [...found.values()];
}

const together = (a: ColourUse, b: ColourUse): ColourUse => ({
  ...a,
  reached: a.reached + b.reached,
  isOverridden: [a, b].every(({ isOverridden, reached }) => isOverridden || !reached) && a.reached + b.reached > 0,
  components: [...new Set([...a.components, ...b.components])],
  pages: [...new Set([...a.pages, ...b.pages])],
});

function usesOn(page: PageSession, pageName: string, wanted: Wanted): ColourUse[] {
  const styles = page.stylesFor(DESKTOP);
  const rules = authorRules(page);
  const custom = customProperties(rules, wanted);
  const holders = componentHolders(page);
  const componentsOf = (elements: readonly ElementNode[]) => [
    ...new Set(elements.flatMap((element) => holders.get(element.order) ?? [])),
  ];
  const uses: ColourUse[] = [];
  const having = new Map<StyleRule, readonly { raw: RawDeclaration; through: string | undefined }[]>();
  for (const rule of rules) {
    const own = rule.raw.flatMap((raw) => {
      const through = hasColour(raw.text, wanted) ? '' : custom.find((name) => refersTo(raw.text, name));
      return through === undefined ? [] : [{ raw, through: through || undefined }];
    });
    if (own.length) having.set(rule, own);
  }
  const reached = reachedBy(page, styles, new Set(having.keys()));
  for (const [rule, declarations] of having) {
    const elements = reached.get(rule) ?? [];
    for (const { raw, through } of declarations)
      uses.push({
        selector: rule.selectorText,
        property: raw.property,
        value: raw.text.trim(),
        sheet: raw.place.sheet,
        line: raw.place.line,
        conditions: rule.conditions.map(conditionText),
        through,
        isNear: !through && !hasColour(raw.text, { from: wanted.from }),
        reached: elements.length,
        isOverridden: !raw.property.startsWith('--') && isOverridden(styles, rule, raw, elements),
        components: componentsOf(elements),
        pages: [pageName],
      });
  }
  for (const element of page.tree.elements) {
    const seen = new Set<string>();
    for (const { declaration } of inlineDeclarations(element)) {
      const { property, value, place } = declaration;
      if (!hasColour(value, wanted) || seen.has(`${place.column}`)) continue;
      // The longhands of a shorthand are one declaration.
      seen.add(`${place.column}`);
      uses.push({
        selector: '',
        property,
        value,
        sheet: place.sheet,
        line: 0,
        conditions: [],
        through: undefined,
        isNear: !hasColour(value, { from: wanted.from }),
        reached: 1,
        isOverridden: styles.at().of(element).winner(property)?.declaration !== declaration,
        components: componentsOf([element]),
        pages: [pageName],
      });
    }
  }
  return uses;
}

const hasColour = (text: string, wanted: Wanted): boolean =>
  coloursIn(text).some(({ colour }) => isMeant(wanted, colour));

const refersTo = (text: string, name: string): boolean => new RegExp(`var\\(\\s*${name}\\s*[,)]`).test(text);

const authorRules = (page: PageSession): StyleRule[] =>
  page.sheets.filter(({ origin }) => origin === 'author').flatMap(({ sheet }) => sheet.rules);

/** Custom properties that hold the colour somewhere, those that refer to others among them. */
function customProperties(rules: readonly StyleRule[], wanted: Wanted): string[] {
  const all = rules.flatMap(({ raw }) => raw.filter(({ property }) => property.startsWith('--')));
  const names = new Set(all.flatMap(({ property, text }) => (hasColour(text, wanted) ? [property] : [])));
  for (let size = -1; size !== names.size;) {
    size = names.size;
    for (const { property, text } of all) if ([...names].some((name) => refersTo(text, name))) names.add(property);
  }
  return [...names];
}

/** The elements that rules reach in some state: at rest, or where whatever they name of states holds everywhere. */
function reachedBy(
  page: PageSession,
  styles: PageStyles,
  rules: ReadonlySet<StyleRule>,
): Map<StyleRule, ElementNode[]> {
  const { tree } = page;
  const atRest = contextOf(AT_REST, tree.quirks);
  const everywhere = new Map<StateBits, MatchContext>();
  const within = (states: StateBits): MatchContext => {
    let context = everywhere.get(states);
    if (!context) everywhere.set(states, (context = { ...atRest, stateOf: () => closeBits(states) | FOCUS_WITHIN }));
    return context;
  };
  const reaches = (entry: RuleEntry, element: ElementNode) =>
    [atRest, within(entry.selector.states)].some((context) => matchEntry(entry, element, context) !== undefined);
  const reached = new Map<StyleRule, ElementNode[]>();
  for (const element of tree.elements) {
    const entries = styles.possibleEntries(element).filter(({ rule }) => rules.has(rule));
    const own = new Set(entries.filter((entry) => reaches(entry, element)).map(({ rule }) => rule));
    for (const rule of own) {
      const known = reached.get(rule);
      if (known) known.push(element);
      else reached.set(rule, [element]);
    }
  }
  return reached;
}

/**
 * True where a declaration is in the running on elements in the states of its selector, and never wins. What cannot be
 * brought about by forcing these states on the element alone is not called so.
 */
function isOverridden(
  styles: PageStyles,
  rule: StyleRule,
  { place }: RawDeclaration,
  elements: readonly ElementNode[],
): boolean {
  let isAsked = false;
  const [selector] = rule.selectors;
  if (!selector || selector.pseudoElement) return false;
  const bits = closeBits(selector.states);
  for (const element of elements.slice(0, MOST_ASKED)) {
    const style = (bits ? styles.at(forceStates([[element, bits]])) : styles.at()).of(element);
    for (const { property } of rule.declarations.filter(
      (own) => sameCell(own.place, place) && HOLDS.test(own.property),
    )) {
      const running = style.running(property).some(({ declaration }) => sameCell(declaration.place, place));
      if (!running) continue;
      isAsked = true;
      const winner = style.winner(property);
      if (winner && sameCell(winner.declaration.place, place)) return false;
    }
  }
  return isAsked && elements.length <= MOST_ASKED;
}

const sameCell = (a: RawDeclaration['place'], b: RawDeclaration['place']): boolean =>
  a.sheet === b.sheet && a.line === b.line && a.column === b.column;

const conditionText = (condition: Condition): string =>
  condition.kind === 'media' ? `@media ${condition.query.text}` : `@${condition.kind} ${condition.text}`;

const WHOLE = new Set(['html', 'body']);

/** The name of the component that each element stands in, by their orders. */
function componentHolders(page: PageSession): ReadonlyMap<number, string> {
  const roots = new Map<number, string>();
  for (const { name, elements } of page.components())
    // What a page is as a whole tells nobody where to look.
    for (const order of elements) if (!WHOLE.has(page.tree.elements[order]!.name)) roots.set(order, name);
  const holders = new Map<number, string>();
  for (const element of page.tree.elements) {
    for (const node of selfAndAncestors(element)) {
      const name = roots.get(node.order);
      if (name === undefined) continue;
      holders.set(element.order, name);
      break;
    }
  }
  return holders;
}

/** A colour that a site has somewhere, with how many declarations have it. */
export interface FoundColour {
  readonly css: string;
  readonly uses: number;
  /** A custom property that holds it. */
  readonly name: string | undefined;
}

/** All colours of a site's sheets and style attributes, the most used first; what lets something through is its own. */
export function coloursOfSite(site: SiteUnder): FoundColour[] {
  const found = new Map<string, { css: string; uses: number; name: string | undefined }>();
  const seen = new Set<string>();
  const count = (text: string, property: string) => {
    for (const { text: css, colour } of coloursIn(text)) {
      if (colour.alpha === 0) continue;
      const key = toHex(colour);
      const entry = found.get(key) ?? { css: css.toLowerCase(), uses: 0, name: undefined };
      found.set(key, entry);
      entry.uses++;
      if (property.startsWith('--')) entry.name ??= property;
    }
  };
  for (const { version } of site.pages) {
    const { page } = site.on(version);
    for (const { raw, selectorText } of authorRules(page))
      for (const { property, text, place } of raw) {
        // A sheet of several pages is counted once.
        const key = `${place.sheet}:${place.line}:${place.column} ${selectorText} ${property}`;
        if (seen.has(key)) continue;
        seen.add(key);
        count(text, property);
      }
    for (const element of page.tree.elements) {
      const style = element.attributes.get('style');
      if (style) count(style, '');
    }
  }
  return [...found.values()].sort((a, b) => b.uses - a.uses || (a.css < b.css ? -1 : 1));
}
