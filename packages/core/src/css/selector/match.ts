import { generate, type SelectorList } from 'css-tree';
import type { ElementNode } from '../../page/tree.js';
import { readCss } from '../read.js';
import { compileList } from './compile.js';
import {
  InvalidSelectorError,
  type CompiledSelector,
  type CompileOptions,
  type MatchAny,
  type MatchContext,
} from './types.js';

/** Tests a complex selector from right to left, trying further ancestors or siblings where a step allows several. */
export function matches(selector: CompiledSelector, element: ElementNode, context: MatchContext): boolean {
  return matchesFrom(selector, selector.compounds.length - 1, element, context);
}

function matchesFrom(selector: CompiledSelector, at: number, element: ElementNode, context: MatchContext): boolean {
  for (const test of selector.compounds[at]!.tests) if (!test(element, context)) return false;
  if (at === 0) return true;
  switch (selector.combinators[at - 1]) {
    case '>':
      return element.parent !== undefined && matchesFrom(selector, at - 1, element.parent, context);
    case '+': {
      const previous = element.parent?.children[element.siblingIndex - 1];
      return previous !== undefined && matchesFrom(selector, at - 1, previous, context);
    }
    case '~': {
      const group = element.parent?.children ?? [];
      for (let i = element.siblingIndex - 1; i >= 0; i--) {
        if (matchesFrom(selector, at - 1, group[i]!, context)) return true;
      }
      return false;
    }
    default: {
      for (let node = element.parent; node; node = node.parent) {
        if (matchesFrom(selector, at - 1, node, context)) return true;
      }
      return false;
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
export function compileText(text: string): CompiledSelector[] {
  const ast = readCss(text, 'selectorList');
  if (ast?.type !== 'SelectorList') throw new InvalidSelectorError(`"${text}" is not a selector.`);
  return compileParsedList(ast);
}

export { InvalidSelectorError };
