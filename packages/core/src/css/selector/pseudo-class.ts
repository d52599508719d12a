import { generate, type CssNode, type PseudoClassSelector, type Selector, type SelectorList } from 'css-tree';
import { descendants, type ElementNode } from '../../tree/tree.js';
import {
  InvalidSelectorError,
  type CompiledSelector,
  type CompileOptions,
  type CompileTools,
  type MatchAny,
  type SimplePart,
  type Test,
} from './types.js';
import * as form from './form-state.js';
import { validity } from './validity.js';
import { matchesDirection, matchesLanguage } from './language.js';
import { inSeries } from './nth.js';
import { isOpened } from './opened.js';
import { addSpecificity, maxSpecificity, NO_SPECIFICITY, type Specificity } from './specificity.js';
import * as bits from './states.js';
import { lookup } from '../../base/lookup.js';

const CLASS: Specificity = [0, 1, 0];
const plain = (test: Test): SimplePart => ({ test, specificity: CLASS, states: 0 });
const never = plain(() => false);

/** A pseudo-class that follows from forced state alone. */
const forced = (bit: bits.StateBits): SimplePart => ({
  test: (element, context) => (context.stateOf(element) & bit) !== 0,
  specificity: CLASS,
  states: bit,
});

const isRoot: Test = (element) => element.parent === undefined;
const siblings = (element: ElementNode) => element.parent?.children ?? [element];
const ofType = (element: ElementNode) => siblings(element).filter((other) => other.name === element.name);

const SIMPLE: Readonly<Record<string, SimplePart>> = lookup({
  hover: forced(bits.HOVER),
  active: forced(bits.ACTIVE),
  focus: forced(bits.FOCUS),
  'focus-visible': forced(bits.FOCUS_VISIBLE),
  'focus-within': forced(bits.FOCUS_WITHIN),
  visited: {
    test: (element, context) => form.isLink(element) && (context.stateOf(element) & bits.VISITED) !== 0,
    specificity: CLASS,
    states: bits.VISITED,
  },
  link: {
    test: (element, context) => form.isLink(element) && (context.stateOf(element) & bits.VISITED) === 0,
    specificity: CLASS,
    states: bits.VISITED,
  },
  'any-link': plain(form.isLink),
  '-webkit-any-link': plain(form.isLink),
  disabled: {
    test: (element, context) =>
      form.canBeDisabled(element) && (form.isDisabled(element) || (context.stateOf(element) & bits.DISABLED) !== 0),
    specificity: CLASS,
    states: bits.DISABLED,
  },
  enabled: {
    test: (element, context) =>
      form.canBeDisabled(element) && !form.isDisabled(element) && (context.stateOf(element) & bits.DISABLED) === 0,
    specificity: CLASS,
    states: bits.DISABLED,
  },
  root: plain(isRoot),
  scope: plain((element, context) => (context.scope ? element === context.scope : isRoot(element, context))),
  empty: plain((element) => element.content.every((item) => item === '')),
  'first-child': plain((element) => element.siblingIndex === 0),
  'last-child': plain((element) => element.siblingIndex === siblings(element).length - 1),
  'only-child': plain((element) => siblings(element).length === 1),
  'first-of-type': plain((element) => ofType(element)[0] === element),
  'last-of-type': plain((element) => ofType(element).at(-1) === element),
  'only-of-type': plain((element) => ofType(element).length === 1),
  checked: plain(form.isChecked),
  required: plain(form.isRequired),
  optional: plain(form.isOptional),
  'read-write': plain(form.isReadWrite),
  'read-only': plain((element) => !form.isReadWrite(element)),
  'placeholder-shown': plain(form.isPlaceholderShown),
  default: plain(form.isDefault),
  indeterminate: plain(form.isIndeterminate),
  valid: {
    test: (element, context) => (context.stateOf(element) & bits.INVALID) === 0 && validity(element) === true,
    specificity: CLASS,
    states: bits.INVALID,
  },
  invalid: {
    test: (element, context) => (context.stateOf(element) & bits.INVALID) !== 0 || validity(element) === false,
    specificity: CLASS,
    states: bits.INVALID,
  },
  // Nobody has typed into a page at rest, so nothing is valid or invalid by the user's doing unless it is forced.
  'user-valid': never,
  'user-invalid': forced(bits.INVALID),
  'in-range': plain((element) => hasRange(element) && validity(element) === true),
  'out-of-range': plain((element) => hasRange(element) && validity(element) === false),
  '-internal-list-box': plain(form.isListBox),
  open: plain((element) => ['details', 'dialog'].includes(element.name) && element.attributes.has('open')),
  defined: plain((element) => element.namespace !== 'html' || !element.name.includes('-')),
  current: never,
  past: never,
  future: never,
  'interest-source': never,
  'interest-target': never,
  'target-current': never,
  'target-before': never,
  'target-after': never,
  host: never,
  target: plain((element) => isOpened(element, 'target')),
  'popover-open': plain((element) => isOpened(element, 'popover-open')),
  // Only a script or a full screen puts a page's elements into these.
  modal: never,
  fullscreen: never,
  '-webkit-full-screen': never,
  'picture-in-picture': never,
  autofill: never,
  '-webkit-autofill': never,
  'active-view-transition': never,
});

/** Valid only after a scrollbar pseudo-element. */
const SCROLLBAR = new Set([
  ...['horizontal', 'vertical', 'decrement', 'increment', 'start', 'end', 'double-button', 'single-button'],
  ...['no-button', 'corner-present', 'window-inactive'],
]);
/** Of those, the ones that hold for the parts of a vertical bar without buttons. */
const HELD = new Set(['vertical', 'no-button']);

/** A test of the pseudo-element's own states. */
export type PseudoTest = (states: bits.StateBits) => boolean;

interface AfterPseudoElement {
  readonly test: PseudoTest;
  readonly states: bits.StateBits;
  readonly specificity: Specificity;
}

const ACTION_STATES = new Set(['hover', 'active', 'focus', 'focus-visible', 'focus-within']);
const SCROLLBAR_PART = /^-webkit-(scrollbar|resizer)/;
/** Pseudo-elements that are elements of a shadow tree, and so have states of their own. */
const ELEMENT_BACKED = /^(-webkit-|file-selector-button$|details-content$|scroll-marker|part$|slotted$|picker$)/;

/** Which classes Chromium takes after a pseudo-element. */
function mayFollow(name: string, pseudoElement: string): boolean {
  if (SCROLLBAR_PART.test(pseudoElement)) {
    return SCROLLBAR.has(name) || ['hover', 'active', 'enabled', 'disabled'].includes(name);
  }
  return ELEMENT_BACKED.test(pseudoElement) && ACTION_STATES.has(name);
}

/**
 * A class after a pseudo-element: a state of that part, where in a scrollbar it stands, or a choice of such.
 *
 * @throws InvalidSelectorError for what a browser refuses there
 */
export function classAfterPseudoElement(node: PseudoClassSelector, pseudoElement: string): AfterPseudoElement {
  const name = node.name.toLowerCase();
  const always = (answer: boolean): AfterPseudoElement => ({ test: () => answer, states: 0, specificity: CLASS });
  if (node.children === null && mayFollow(name, pseudoElement)) {
    if (SCROLLBAR.has(name)) return always(HELD.has(name));
    const atom = bits.ATOMS.find((item) => item === name);
    if (!atom) return always(name === 'enabled');
    const state = bits.bitOf(atom);
    return { test: (own) => (own & state) !== 0, states: state, specificity: CLASS };
  }
  const isNegation = name === 'not' && (SCROLLBAR_PART.test(pseudoElement) || ELEMENT_BACKED.test(pseudoElement));
  if (node.children !== null && (name === 'is' || name === 'where' || isNegation)) {
    const list = node.children.first;
    const choices =
      list?.type === 'SelectorList'
        ? list.children.toArray().map((selector) => choiceAfter(selector as Selector, pseudoElement))
        : [];
    const any: PseudoTest = (own) => choices.some((choice) => choice.test(own));
    return {
      test: isNegation ? (own) => !any(own) : any,
      states: choices.reduce((all, choice) => all | choice.states, 0),
      specificity: name === 'where' ? NO_SPECIFICITY : maxSpecificity(choices.map((choice) => choice.specificity)),
    };
  }
  throw new InvalidSelectorError(`:${node.name} cannot follow ::${pseudoElement}.`);
}

/** One choice of a list after a pseudo-element, which has neither attributes nor classes. */
function choiceAfter(selector: Selector, pseudoElement: string): AfterPseudoElement {
  const parts = (selector.children.toArray() as CssNode[]).map((node): AfterPseudoElement => {
    try {
      if (node.type === 'PseudoClassSelector') return classAfterPseudoElement(node, pseudoElement);
    } catch (error) {
      if (!(error instanceof InvalidSelectorError)) throw error;
    }
    return { test: () => false, states: 0, specificity: CLASS };
  });
  return {
    test: (own) => parts.every((part) => part.test(own)),
    states: parts.reduce((all, part) => all | part.states, 0),
    specificity: parts.reduce<Specificity>((sum, part) => addSpecificity(sum, part.specificity), NO_SPECIFICITY),
  };
}

function hasRange(element: ElementNode): boolean {
  return (
    element.name === 'input' &&
    ['number', 'range', 'date'].includes(form.inputType(element)) &&
    (element.attributes.has('min') || element.attributes.has('max'))
  );
}

/** Selectors of a forgiving list: those that cannot be read are left out (Selectors 4, section 3.8). */
function forgiving(list: CssNode | undefined, options: CompileOptions, tools: CompileTools): CompiledSelector[] {
  if (!list || list.type !== 'SelectorList') return [];
  return list.children.toArray().flatMap((selector) => {
    try {
      const compiled = tools.compile(selector as Selector, { parents: nestedOnly(selector, options) });
      return compiled.pseudoElement ? [] : [compiled];
    } catch (error) {
      if (error instanceof InvalidSelectorError) return [];
      throw error;
    }
  });
}

/** Inside :is() and its kin a selector is not relative, so `&` counts only where it is written. */
function nestedOnly(selector: CssNode, options: CompileOptions): readonly CompiledSelector[] | undefined {
  return generate(selector).includes('&') ? (options.parents ?? []) : undefined;
}

function strict(
  list: CssNode | undefined,
  options: CompileOptions,
  tools: CompileTools,
  relative: boolean,
): CompiledSelector[] {
  if (!list || list.type !== 'SelectorList') throw new InvalidSelectorError('A list of selectors is needed here.');
  return (list as SelectorList).children.toArray().map((selector) => {
    const parents = nestedOnly(selector, options);
    const compiled = tools.compile(selector as Selector, { parents, relative: relative && !parents });
    if (compiled.pseudoElement) throw new InvalidSelectorError('Pseudo-elements are not allowed here.');
    return compiled;
  });
}

const statesOf = (list: readonly CompiledSelector[]) => list.reduce((all, selector) => all | selector.states, 0);
const strongest = (list: readonly CompiledSelector[]) => maxSpecificity(list.map((selector) => selector.specificity));

/**
 * One pseudo-class of Selectors 4 as a test.
 *
 * @throws InvalidSelectorError for a name or an argument that a browser refuses
 */
export function compilePseudoClass(
  node: PseudoClassSelector,
  options: CompileOptions,
  tools: CompileTools,
): SimplePart {
  const name = node.name.toLowerCase();
  const argument = node.children?.first ?? undefined;
  if (node.children === null) {
    const simple = SIMPLE[name];
    if (simple) return simple;
    throw new InvalidSelectorError(`Unknown pseudo-class :${node.name}.`);
  }
  switch (name) {
    case 'is':
    case 'where':
    case '-webkit-any': {
      const list = forgiving(argument, options, tools);
      return {
        test: (element, context) => tools.matchAny(list, element, context),
        anyOf: list.map((selector) => selector.compounds.at(-1)!),
        specificity: name === 'where' ? NO_SPECIFICITY : strongest(list),
        states: statesOf(list),
      };
    }
    case 'not': {
      const list = strict(argument, options, tools, false);
      return {
        test: (element, context) => !tools.matchAny(list, element, context),
        specificity: strongest(list),
        states: statesOf(list),
      };
    }
    case 'has': {
      if (options.relative) throw new InvalidSelectorError(':has() cannot stand inside :has().');
      const list = strict(argument, options, tools, true);
      return { test: hasTest(list, tools.matchAny), specificity: strongest(list), states: statesOf(list) };
    }
    case 'nth-child':
    case 'nth-last-child':
    case 'nth-of-type':
    case 'nth-last-of-type':
      return nthPart(name, argument, options, tools);
    case 'lang': {
      // One range without quotes is what Chromium takes so far.
      const only = node.children.size === 1 ? node.children.first : undefined;
      const range = only?.type === 'Raw' ? only.value.trim() : only?.type === 'Identifier' ? only.name : '';
      if (!/^[a-z*-][\w-]*$/i.test(range)) throw new InvalidSelectorError(':lang() needs one language such as en.');
      return plain((element) => matchesLanguage(element, [range]));
    }
    case 'dir': {
      const direction = generate(argument as CssNode).toLowerCase();
      return plain((element) => matchesDirection(element, direction));
    }
    case 'host':
    case 'host-context':
    case 'state':
      return never;
  }
  throw new InvalidSelectorError(`Unknown pseudo-class :${node.name}().`);
}

function hasTest(list: readonly CompiledSelector[], matchAny: MatchAny): Test {
  return (anchor, context) => {
    const inner = { ...context, anchor };
    return list.some((selector) => {
      const first = selector.combinators[0];
      const beside = first === '+' || first === '~';
      const pool = beside ? siblings(anchor).slice(anchor.siblingIndex + 1) : anchor.children;
      for (const node of pool) {
        if (matchAny([selector], node, inner)) return true;
        for (const below of descendants(node)) if (matchAny([selector], below, inner)) return true;
      }
      return false;
    });
  };
}

function nthPart(
  name: string,
  argument: CssNode | undefined,
  options: CompileOptions,
  tools: CompileTools,
): SimplePart {
  if (argument?.type !== 'Nth') throw new InvalidSelectorError(`:${name}() needs a position such as 2n+1.`);
  const { nth } = argument;
  let a: number;
  let b: number;
  if (nth.type === 'AnPlusB') {
    a = Number(nth.a ?? 0);
    b = Number(nth.b ?? 0);
  } else if (nth.name === 'odd' || nth.name === 'even') {
    a = 2;
    b = nth.name === 'odd' ? 1 : 0;
  } else {
    throw new InvalidSelectorError(`:${name}() cannot read ${nth.name}.`);
  }
  const list = argument.selector ? strict(argument.selector, options, tools, false) : undefined;
  if (list && name.endsWith('of-type')) throw new InvalidSelectorError(`:${name}() takes no "of".`);
  const fromEnd = name.includes('last');
  const byType = name.endsWith('of-type');
  return {
    test: (element, context) => {
      let group: readonly ElementNode[] = siblings(element);
      if (byType) group = ofType(element);
      else if (list) {
        if (!tools.matchAny(list, element, context)) return false;
        group = group.filter((other) => tools.matchAny(list, other, context));
      }
      const at = byType || list ? group.indexOf(element) : element.siblingIndex;
      return inSeries(fromEnd ? group.length - at : at + 1, a, b);
    },
    specificity: list ? addSpecificity(CLASS, strongest(list)) : CLASS,
    states: list ? statesOf(list) : 0,
  };
}
