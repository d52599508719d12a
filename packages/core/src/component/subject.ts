import { CarriedStates } from './carriers.js';
import type { Environment } from '../css/conditions/environment.js';
import { forceStates, type ForcedStates } from '../css/selector/forced.js';
import { bitOf, CARRIED, CARRIED_ATOMS, type StateBits } from '../css/selector/states.js';
import { mayMatch } from '../css/cascade/rule-entry.js';
import type { Origin } from '../css/sheet/sheet.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { once } from '../memo/once.js';
import type { MarkupChange } from '../page/stage.js';
import type { StagedPage, StagedPages } from '../page/staged-pages.js';
import type { ElementNode } from '../tree/tree.js';

/** One element or pseudo-element of a part, with the element whose state it follows. */
export interface Subject {
  readonly element: ElementNode;
  /** Name of the pseudo-element without colons. */
  readonly pseudo: string | undefined;
  /** The element that is pointed at, focused or marked; the element itself unless the part says otherwise. */
  readonly carrier: ElementNode;
  readonly states: CarriedStates;
  /** True when hover and press are those of the pseudo-element itself, as with the parts of a scrollbar. */
  readonly ownPseudoStates: boolean;
}

/** What else is done to a page so that a part can be seen, such as pointing at the item that opens its menu. */
export interface Reveal {
  readonly changes: readonly MarkupChange[];
  readonly pointed: readonly ElementNode[];
}

export const NO_REVEAL: Reveal = { changes: [], pointed: [] };

/** A subject seen in a state: the page with its markup so, the states forced on it, and the element in that page. */
export interface SeenSubject {
  readonly stage: StagedPage;
  readonly view: StyledPage;
  readonly element: ElementNode;
  readonly style: ElementStyle;
}

/** Puts subjects into states; states are kept, so that styles are shared between questions. */
export class Forcer {
  /** By elements of the staged pages, which go when their pages are put away. */
  private readonly cache = new WeakMap<ElementNode, Map<string, ForcedStates>>();

  private forced(
    carrier: ElementNode,
    bits: StateBits,
    pseudo: boolean,
    pointed: readonly ElementNode[],
  ): ForcedStates {
    let byBits = this.cache.get(carrier);
    if (!byBits) this.cache.set(carrier, (byBits = new Map()));
    const key = `${bits}${pseudo ? 'p' : ''}${pointed.map((node) => `,${node.order}`).join('')}`;
    let forced = byBits.get(key);
    if (!forced) {
      const targets = pointed.map((node) => [node, HOVERED] as const);
      forced = pseudo ? withPseudo(forceStates(targets), carrier, bits) : forceStates([...targets, [carrier, bits]]);
      byBits.set(key, forced);
    }
    return forced;
  }

  private readonly changes = once((_reveal: Reveal) =>
    once((_subject: Subject) => new Map<StateBits, readonly MarkupChange[]>()),
  );

  private changesFor(subject: Subject, bits: StateBits, reveal: Reveal): readonly MarkupChange[] {
    const known = this.changes(reveal)(subject);
    let changes = known.get(bits);
    if (!changes) known.set(bits, (changes = [...reveal.changes, ...subject.states.changesFor(bits)]));
    return changes;
  }

  /** A subject of the page in a set of atoms. */
  see(
    pages: StagedPages,
    environment: Environment,
    subject: Subject,
    bits: StateBits,
    reveal: Reveal = NO_REVEAL,
  ): SeenSubject {
    const stage = pages.at(this.changesFor(subject, bits, reveal));
    const carrier = stage.tree.elements[subject.carrier.order]!;
    const left = CarriedStates.remaining(bits, subject.states.possible);
    const pointed = reveal.pointed.map((node) => stage.tree.elements[node.order]!);
    const view = stage.stylesFor(environment).at(this.forced(carrier, left, subject.ownPseudoStates, pointed));
    const element = stage.tree.elements[subject.element.order]!;
    return { stage, view, element, style: view.of(element, subject.pseudo) };
  }
}

const HOVERED = bitOf('hover');

const withPseudo = (forced: ForcedStates, carrier: ElementNode, bits: StateBits): ForcedStates => ({
  ...forced,
  union: forced.union | bits,
  pseudo: new Map([[carrier, bits]]),
});

/**
 * Atoms that the rules reaching a subject mention, on itself or through others, in whatever state its markup is.
 *
 * @param origin only rules of this origin, when given
 */
export function statesInPlay(
  pages: StagedPages,
  environment: Environment,
  subject: Subject,
  origin?: Origin,
): StateBits {
  const { possible, atRest } = subject.states;
  const stages = [atRest, ...CARRIED_ATOMS.map(bitOf).flatMap((bit) => (possible & bit ? [atRest ^ bit] : []))];
  let bits = 0;
  let before = '';
  stages.forEach((state, i) => {
    const stage = pages.at(subject.states.changesFor(state));
    const styles = stage.stylesFor(environment);
    const element = stage.tree.elements[subject.element.order]!;
    let signature = '';
    for (const entry of styles.possibleEntries(element)) {
      if (entry.selector.pseudoElement !== subject.pseudo || (origin && entry.origin !== origin)) continue;
      if (!mayMatch(entry, element, styles.tree.quirks)) continue;
      bits |= entry.selector.states;
      signature += `${entry.index},`;
    }
    if (i === 0) before = signature;
    // What the markup carries shows in which rules match once it is so.
    else if (signature !== before) bits |= state ^ atRest;
  });
  return bits & (possible | ~CARRIED);
}
