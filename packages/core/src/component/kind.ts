import type { StyledPage } from '../css/cascade/page-styles.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { ElementNode } from '../tree/tree.js';
import type { Behaviour } from './behaviours/index.js';
import type { StateName } from './states.js';

export type { Row, RowGroup } from './rows.js';

/** A piece of a component that is styled by itself. */
export interface Part {
  readonly name: string;
  readonly label: string;
  /** Its kind's label, where the owner calls it otherwise. */
  readonly usual?: string;
  /**
   * Selectors from the component's root, which they write as `:scope`; the first that reaches something is taken.
   * Parts of one kind reach different elements.
   */
  readonly find: readonly string[];
  /** Name of a pseudo-element of what is found. */
  readonly pseudo?: string;
  /** The part that carries its state, such as the button of an icon; itself when absent. */
  readonly carrier?: string;
  /** True when pointing and pressing are those of the pseudo-element itself, as with a scrollbar's thumb. */
  readonly ownPseudoStates?: boolean;
  /** Columns in which the part has values of its own. */
  readonly states: readonly StateName[];
  /** Keys of the rows that matter first. */
  readonly first: readonly string[];
  /** Of a part that every kind has: which elements of a component are of it, where no other part has them. */
  readonly holds?: (element: ElementNode, page: StyledPage) => boolean;
}

/** What a kind asks of its parts. */
export interface Demand {
  readonly name: string;
  readonly label: string;
  readonly part: string;
  /** 1.4.3 for text on what lies behind it; 1.4.11 for edges, icons and marks against what is beside them. */
  readonly criterion: '1.4.3' | '1.4.11';
  /** For 1.4.11: what is measured. */
  readonly of?: 'edge' | 'icon' | 'thumb';
  /** For a text: only what the part's elements say themselves, and not what they hold. */
  readonly own?: boolean;
}

/** What a component of a kind starts from when it is made anew. */
export interface Starter {
  readonly html: string;
  /** CSS under the class that the HTML gives its root. */
  readonly css: string;
  /** What it does not do by itself, and the site's own script has to. */
  readonly needs?: string;
}

/** Parts that ask for opposite choices, and so are told apart by more than colour. */
export type Siblings = readonly [string, string];

export interface Kind {
  readonly name: string;
  readonly label: string;
  /** Several of them, for counting. */
  readonly plural: string;
  /** The first part is the root itself unless it finds something else. */
  readonly parts: readonly Part[];
  readonly demands: readonly Demand[];
  readonly siblings?: Siblings;
  /** True for what is found one by one, and grouped as the site's own sheets do; it may stand in anything. */
  readonly single?: boolean;
  /** Selectors from its root of what stands in it and is none of it. */
  readonly outside?: readonly string[];
  /** True for what is a component of its own wherever it stands. */
  readonly anywhere?: boolean;
  /** Names of kinds that may stand in it as components of their own. */
  readonly mayHold?: readonly string[];
  /**
   * True for what the browser draws beside the page: it holds nothing that the page shows, its size is told in notes, and
   * browsers that do not know its pseudo-elements are told its colours besides.
   */
  readonly besidePage?: boolean;
  /** True for controls that pages make of mere texts, too, which can be turned into real ones. */
  readonly madeOfText?: boolean;
  /** What its components can do beside being seen. */
  readonly behaviours?: readonly Behaviour[];
  /** True when what stands in it is not listed as a component again. */
  readonly claims?: boolean;
}

/** What a look says, as a kind asks of it. */
export interface Said {
  /** Names of the parts that it says something about. */
  readonly parts: ReadonlySet<string>;
  /** True where it sets a property of a part at rest, under no condition. */
  readonly sets: (part: string, property: string) => boolean;
}

/** A value at rest, under no condition. */
export interface Completion {
  readonly part: string;
  readonly property: string;
  readonly value: string;
}

/**
 * What a look of a kind is given besides its own settings, where browsers would drop the rest.
 *
 * @param site a part at rest as the site has it, by the part's name
 */
export type Completes = (said: Said, site: (part: string) => ElementStyle | undefined) => readonly Completion[];

/** How components of a kind are told on a page. Apart from the kind, since only who looks for them needs it. */
export interface Signs {
  readonly kind: Kind;
  /** How surely an element is the root of a component of this kind, 0 to 1. */
  readonly recognise: (element: ElementNode, page: StyledPage) => number;
  /** Roots that stand in one row with another, for kinds that come in rows: a selector for just these is the best one. */
  readonly rowOf?: (root: ElementNode, page: StyledPage) => readonly ElementNode[] | undefined;
  /** What tells groups of its roots apart beside their selectors: what is not alike is no group. */
  readonly sort?: (root: ElementNode) => string;
  /**
   * What is said of a root that has no name but that of its element, such as the body of a page: its pages have it, and
   * others have not. The first that holds is taken.
   */
  readonly toldBy?: readonly string[];
  /** Where its name comes from, before the root's own label or heading. */
  readonly named?: (root: ElementNode) => string | undefined;
}

export const partNamed = (kind: Kind, name: string): Part | undefined => kind.parts.find((part) => part.name === name);

export const textDemand = (part: string, label = 'Text on background'): Demand => ({
  name: `${part}-text`,
  label,
  part,
  criterion: '1.4.3',
});
