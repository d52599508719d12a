import type { Selector } from 'css-tree';
import type { ElementNode } from '../../tree/tree.js';
import type { Specificity } from './specificity.js';
import type { StateBits } from './states.js';

/** What a match depends on besides the tree. */
export interface MatchContext {
  /** Interaction state that is forced on an element; 0 at rest. */
  readonly stateOf: (element: ElementNode) => StateBits;
  readonly quirks: boolean;
  /** The element that :scope stands for; the root when undefined. */
  readonly scope?: ElementNode;
  /** The element that a relative selector in :has() starts from. */
  readonly anchor?: ElementNode;
}

export type Test = (element: ElementNode, context: MatchContext) => boolean;

export interface Compound {
  readonly tests: readonly Test[];
  readonly tag: string | undefined;
  readonly id: string | undefined;
  readonly classes: readonly string[];
  /** Name of an attribute that must be there. */
  readonly attribute: string | undefined;
  /** Alternatives of an `:is()` or `:where()`, one of which must match; for indexing. */
  readonly anyOf: readonly Compound[] | undefined;
}

export type Combinator = ' ' | '>' | '+' | '~';

/** A complex selector, ready to match; compounds from left to right, `combinators[i]` before `compounds[i + 1]`. */
export interface CompiledSelector {
  readonly text: string;
  readonly compounds: readonly Compound[];
  readonly combinators: readonly Combinator[];
  readonly pseudoElement: string | undefined;
  /** Tests of the pseudo-element's own states: `::-webkit-scrollbar-thumb:hover`. */
  readonly pseudoTests: readonly ((states: StateBits) => boolean)[];
  readonly specificity: Specificity;
  /** Interaction atoms that the outcome may depend on, FOCUS_WITHIN included; 0 when it never changes. */
  readonly states: StateBits;
}

/** The selector cannot be used; a browser drops the rule that holds it. */
export class InvalidSelectorError extends Error {
  override readonly name = 'InvalidSelectorError';
}

/** What one simple selector contributes. */
export interface SimplePart {
  readonly test: Test;
  /** Last compounds of the alternatives, where the part is a choice between selectors. */
  readonly anyOf?: readonly Compound[] | undefined;
  readonly specificity: Specificity;
  readonly states: StateBits;
}

export interface CompileOptions {
  /** Selectors of the rule around a nested one; what `&` stands for. */
  readonly parents?: readonly CompiledSelector[] | undefined;
  /** True inside :has(), where a selector starts from an anchor. */
  readonly relative?: boolean;
  /** True inside @scope, where `:scope` is the scope's root and stands for `&` too. */
  readonly scoped?: boolean | undefined;
}

/** True when any selector of a list matches. */
export type MatchAny = (list: readonly CompiledSelector[], element: ElementNode, context: MatchContext) => boolean;

/** What the compiling of one simple selector needs of the rest; handed in, so that the files need not import each other. */
export interface CompileTools {
  readonly matchAny: MatchAny;
  readonly compile: (selector: Selector, options: CompileOptions) => CompiledSelector;
}
