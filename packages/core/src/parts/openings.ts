import { hiddenBy } from '../check/hidden.js';
import type { Environment } from '../css/conditions/environment.js';
import type { PageRules } from '../css/cascade/rules.js';
import { OPENED } from '../css/selector/opened.js';
import type { PlainCompound } from '../css/selector/plain-list.js';
import type { CompiledSelector } from '../css/selector/types.js';
import { wishesOf, type Wish, type WishedSelector } from '../css/selector/wishes.js';
import type { StyleRule } from '../css/sheet/sheet.js';
import { once } from '../memo/once.js';
import type { MarkupChange } from '../page/stage.js';
import type { StagedPages } from '../page/staged-pages.js';
import { ancestors, selfAndAncestors, type ElementNode } from '../tree/tree.js';

/** Properties by which sheets show what they hid before, and hide it. */
const SHOWS = new Set(
  `display visibility opacity transform translate scale left right top bottom inset height max-height width max-width
   clip clip-path overflow text-indent content-visibility`.split(/\s+/),
);

/** Attributes that say what an element is and not in which state it is; nothing is opened by another of them. */
const NAMING = new Set(['id', 'type', 'href', 'src', 'for', 'name', 'rel', 'role', 'lang', 'dir', 'target', 'alt']);

/** Attempts for one element; each is a copy of the page. */
const MAX_TRIES = 16;

/** A selector of a rule that may show something; read where it may be about an element. */
interface Opener {
  readonly rule: StyleRule;
  /** Names of its last compound, where it asks for nothing but names. */
  readonly last: PlainCompound | undefined;
  /** Undefined where no markup can be made to match it. */
  readonly selector: () => WishedSelector | undefined;
}

/** What a text of a selector must hold for more than names to say which elements it is about. */
const MORE_THAN_NAMES = ['[', ':is(', ':where('];

/** Rules of the site that may show something, the last first, since it is what wins. */
const openersOf = once((rules: PageRules): readonly Opener[] =>
  rules.authorRules
    .filter(({ raw }) => raw.some(({ property }) => SHOWS.has(property)))
    .flatMap((rule): Opener[] => {
      const plain = MORE_THAN_NAMES.some((text) => rule.head.mayName(text)) ? undefined : rule.head.plain;
      return (plain ?? rule.selectors).map((_selector, i) => ({
        rule,
        last: plain?.[i]?.last,
        selector: () => wishedOf(rule.selectors[i]),
      }));
    })
    .reverse(),
);

const wishedOf = (selector: CompiledSelector | undefined): WishedSelector | undefined =>
  selector && !selector.pseudoElement ? wishesOf(selector.text) : undefined;

/** Those whose last compound may be about an element, as far as it names any. */
function* openersFor(element: ElementNode, rules: PageRules): Generator<WishedSelector> {
  const isAny = element.name === 'html' || element.name === 'body';
  for (const { last, selector } of openersOf(rules)) {
    const isNamed =
      !last ||
      isAny ||
      last.tag === element.name ||
      (last.id !== undefined && last.id === element.id) ||
      last.classes.some((name) => element.classes.includes(name));
    const wished = isNamed ? selector() : undefined;
    if (wished) yield wished;
  }
}

const met = (wish: Wish, element: ElementNode): number =>
  Number(wish.tag === element.name) +
  Number(wish.id !== undefined && wish.id === element.id) +
  wish.classes.filter((name) => element.classes.includes(name)).length +
  wish.attributes.filter(([name, value]) => hasValue(element, name, value)).length;

const hasValue = (element: ElementNode, name: string, value: string): boolean =>
  element.attributes.has(name) && (value === '' || element.attributes.get(name) === value);

/** True for an element that the wish is about, which lacks no more than what a state adds. */
function couldBe(wish: Wish, element: ElementNode): boolean {
  if (wish.tag !== undefined && wish.tag !== element.name) return false;
  if (wish.id !== undefined && wish.id !== element.id) return false;
  if (wish.checked && !(element.name === 'input' && /^(checkbox|radio)$/.test(element.attributes.get('type') ?? '')))
    return false;
  if (wish.attributes.some(([name, value]) => NAMING.has(name) && !hasValue(element, name, value))) return false;
  return met(wish, element) > 0 || element.name === 'body' || element.name === 'html';
}

/** Changes that give an element what a wish asks for; none where it has it. */
function granting(wish: Wish, element: ElementNode): MarkupChange[] {
  const { order } = element;
  const missing = wish.classes.filter((name) => !element.classes.includes(name));
  const extra = wish.without.filter((name) => element.classes.includes(name));
  const changes: MarkupChange[] = [];
  if (missing.length || extra.length) {
    const classes = [...element.classes.filter((name) => !extra.includes(name)), ...missing];
    changes.push({ order, name: 'class', value: classes.join(' ') });
  }
  for (const [name, value] of wish.attributes)
    if (!hasValue(element, name, value)) changes.push({ order, name, value });
  for (const state of wish.opened) changes.push({ order, name: OPENED[state], value: '' });
  if (wish.checked && !element.attributes.has('checked')) changes.push({ order, name: 'checked', value: '' });
  return changes;
}

/** What makes a selector match an element, as far as one way through its ancestors and siblings goes. */
function matching({ wishes, combinators }: WishedSelector, element: ElementNode): MarkupChange[] | undefined {
  const own = wishes.at(-1)!;
  if (!couldBe(own, element)) return undefined;
  const changes = granting(own, element);
  // A class further up that is about all elements of a sort is about another page, and not about this one.
  if (!changes.length && met({ ...own, tag: undefined }, element) === 0) return undefined;
  let node = element;
  for (let i = combinators.length - 1; i >= 0; i--) {
    const wish = wishes[i]!;
    const before: ElementNode[] = node.parent ? node.parent.children.slice(0, node.siblingIndex).reverse() : [];
    const near: Readonly<Record<string, readonly ElementNode[]>> = {
      ' ': [...ancestors(node)],
      '>': node.parent ? [node.parent] : [],
      '+': before.slice(0, 1),
      '~': before,
    };
    const able = (near[combinators[i]!] ?? []).filter((other) => couldBe(wish, other));
    const [best] = able.sort((a, b) => granting(wish, a).length - granting(wish, b).length);
    if (!best) return undefined;
    changes.push(...granting(wish, best));
    node = best;
  }
  return changes;
}

/** True where a selector of a rule ends in an element of a class. */
const endsIn = ({ head }: StyleRule, name: string): boolean =>
  head.plain
    ? head.plain.some(({ last }) => last.classes.includes(name))
    : head.list.some(({ compounds }) => compounds.at(-1)?.classes.includes(name));

/** Classes whose rules do nothing but hide: without them the element is shown as it is. */
function* withoutHiding(element: ElementNode, rules: PageRules): Generator<MarkupChange[]> {
  // A class that is all there is says what the element is.
  if (element.classes.length < 2) return;
  for (const name of element.classes) {
    const named = rules.authorRules.filter((rule) => endsIn(rule, name));
    const hides = openersOf(rules).some(
      ({ rule, last, selector }) =>
        (!last || last.classes.includes(name)) &&
        rule.raw.some(({ text }) => /^(none|hidden|0)\b/.test(text.trim())) &&
        selector()?.wishes.at(-1)!.classes.includes(name),
    );
    const alone = named.every(({ raw }) =>
      raw.every(({ property }) => SHOWS.has(property) || property === 'pointer-events'),
    );
    if (!hides || !alone) continue;
    const classes = element.classes.filter((other) => other !== name);
    yield [{ order: element.order, name: 'class', value: classes.length ? classes.join(' ') : undefined }];
  }
}

const POINTS = ['href', 'aria-controls', 'data-target', 'data-bs-target', 'data-toggle', 'data-open', 'popovertarget'];

/** True where something on the page names the element as what it opens. */
const isPointedAt = ({ id }: ElementNode, pages: StagedPages): boolean =>
  id !== undefined &&
  pages.tree.elements.some((other) => POINTS.some((name) => [`#${id}`, id].includes(other.attributes.get(name) ?? '')));

/** Ways in which sheets, or a script that a control names, may show an element that is hidden itself. */
function* waysFor(element: ElementNode, rules: PageRules, pages: StagedPages): Generator<MarkupChange[]> {
  const { order } = element;
  if (element.attributes.has('popover')) yield [{ order, name: OPENED['popover-open'], value: '' }];
  // The site's own word for it: a class or a state that one of its rules has.
  for (const selector of openersFor(element, rules)) {
    const changes = matching(selector, element);
    if (changes?.length) yield changes;
  }
  // What a rule that hides leaves out: `.fade:not(.show)`.
  for (const selector of openersFor(element, rules)) {
    const wish = selector.wishes.at(-1)!;
    if (!wish.without.length || !couldBe(wish, element)) continue;
    const add = wish.without.filter((name) => !element.classes.includes(name));
    if (add.length) yield [{ order, name: 'class', value: [...element.classes, ...add].join(' ') }];
  }
  yield* withoutHiding(element, rules);
  if (isPointedAt(element, pages)) {
    const style = element.attributes.get('style');
    yield [{ order, name: 'style', value: `${style ? `${style}; ` : ''}display: block` }];
  }
}

/** Later changes of the same attribute stand for the earlier ones. */
const joined = (changes: readonly MarkupChange[]): MarkupChange[] => [
  ...new Map(changes.map((change) => [`${change.order} ${change.name}`, change])).values(),
];

const keptFor = once((_pages: StagedPages) => new Map<string, readonly MarkupChange[] | undefined>());

/**
 * Changes of the markup by which the site's own sheets show an element that is hidden on the page as it is: a class, an
 * attribute or a state that their rules name. Each was tried. What hides it is opened from the outside in.
 *
 * @param base changes that are made already
 * @returns undefined where nothing of this shows it
 */
export function openingBySheets(
  pages: StagedPages,
  environment: Environment,
  element: ElementNode,
  base: readonly MarkupChange[],
): readonly MarkupChange[] | undefined {
  const isHidden = (changes: readonly MarkupChange[], order: number) => {
    const stage = pages.at(changes);
    return hiddenBy(stage.stylesFor(environment).at(), stage.tree.elements[order]!) !== undefined;
  };
  let changes = joined(base);
  for (const { order } of [...selfAndAncestors(element)].reverse()) {
    if (!isHidden(changes, order)) continue;
    const kept = keptFor(pages);
    const key = `${order} ${environment.width} ${JSON.stringify(changes)}`;
    if (!kept.has(key)) kept.set(key, firstThatShows(order, changes));
    const more = kept.get(key);
    if (!more) return undefined;
    changes = [...more];
  }
  return changes;

  function firstThatShows(order: number, made: readonly MarkupChange[]): readonly MarkupChange[] | undefined {
    const stage = pages.at(made);
    const seen = new Set<string>();
    for (const way of waysFor(stage.tree.elements[order]!, stage.index, pages)) {
      const all = joined([...made, ...way]);
      const text = JSON.stringify(all);
      if (seen.has(text)) continue;
      seen.add(text);
      if (!isHidden(all, order)) return all;
      if (seen.size >= MAX_TRIES) return undefined;
    }
    return undefined;
  }
}
