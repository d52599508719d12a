import { generate, type SelectorList } from 'css-tree';
import type { ElementNode } from '../../tree/tree.js';
import { onceForText } from '../../memo/once.js';
import { readCss } from '../syntax/read.js';
import { compileList } from './compile.js';
import {
  InvalidSelectorError,
  type CompiledSelector,
  type CompileOptions,
  type MatchAny,
  type MatchContext,
} from './types.js';

/** Why a selector fails from an element leftwards, so that no ancestor is tried again in vain. */
const MATCH = 0;
const FAILS_HERE = 1;
/** No element further up or before can do better. */
const FAILS_ALL = 2;
type Outcome = typeof MATCH | typeof FAILS_HERE | typeof FAILS_ALL;

/** Tests a complex selector from right to left, trying further ancestors or siblings where a step allows several. */
export function matches(selector: CompiledSelector, element: ElementNode, context: MatchContext): boolean {
  return matchesFrom(selector, selector.compounds.length - 1, element, context) === MATCH;
}

function matchesFrom(selector: CompiledSelector, at: number, element: ElementNode, context: MatchContext): Outcome {
  const { tests } = selector.compounds[at]!;
  for (let i = 0; i < tests.length; i++) if (!tests[i]!(element, context)) return FAILS_HERE;
  if (at === 0) return MATCH;
  switch (selector.combinators[at - 1]) {
    case '>': {
      if (!element.parent) return FAILS_ALL;
      const outcome = matchesFrom(selector, at - 1, element.parent, context);
      return outcome === MATCH ? MATCH : outcome === FAILS_ALL ? FAILS_ALL : FAILS_HERE;
    }
    case '+': {
      const previous = element.parent?.children[element.siblingIndex - 1];
      if (!previous) return FAILS_HERE;
      const outcome = matchesFrom(selector, at - 1, previous, context);
      return outcome;
    }
    case '~': {
      const group = element.parent?.children ?? [];
      for (let i = element.siblingIndex - 1; i >= 0; i--) {
        const outcome = matchesFrom(selector, at - 1, group[i]!, context);
        if (outcome !== FAILS_HERE) return outcome;
      }
      return FAILS_HERE;
    }
    default: {
      for (let node = element.parent; node; node = node.parent) {
        const outcome = matchesFrom(selector, at - 1, node, context);
        if (outcome !== FAILS_HERE) return outcome;
      }
      // Every ancestor was tried; an ancestor of this element has fewer of them.
      return FAILS_ALL;
    }
  }
}

export const matchesAny: MatchAny = (list, element, context) => {
  for (const selector of list) if (matches(selector, element, context)) return true;
  return false;
};

/** Compiles the selectors of a parsed list and keeps the text of each. */
export function compileParsedList(list: SelectorList, options: CompileOptions = {}): CompiledSelector[] {
  const texts = list.children.toArray().map((selector) => generate(selector));
  return compileList(list, options, matchesAny).map((selector, i) => ({ ...selector, text: texts[i]! }));
}

/**
 * Compiles selector text.
 *
 * @throws InvalidSelectorError with a message that says what is wrong
 */
export function compileText(text: string, options?: CompileOptions): readonly CompiledSelector[] {
  return options ? compileAfresh(text, options) : compiled(text);
}

/** Selectors by themselves: the same few are asked for again with each edit. */
const compiled = onceForText((text): readonly CompiledSelector[] => compileAfresh(text, {}));

function compileAfresh(text: string, options: CompileOptions): CompiledSelector[] {
  const ast = readCss(text, 'selectorList');
  if (ast?.type !== 'SelectorList') throw new InvalidSelectorError(`"${text}" is not a selector.`);
  return compileParsedList(ast, options);
}

export { InvalidSelectorError };
