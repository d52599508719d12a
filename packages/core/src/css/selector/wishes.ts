import { ident, type CssNode, type SelectorList } from 'css-tree';
import { onceForText } from '../../memo/once.js';
import { readCss } from '../syntax/read.js';
import { OPENED_STATES, type OpenedState } from './opened.js';
import type { Combinator } from './types.js';

/** What one compound of a selector asks of an element, as far as markup can give it. */
export interface Wish {
  readonly tag: string | undefined;
  readonly id: string | undefined;
  readonly classes: readonly string[];
  /** Attributes with the values they must have; an empty text where any will do. */
  readonly attributes: readonly (readonly [name: string, value: string])[];
  readonly opened: readonly OpenedState[];
  readonly checked: boolean;
  /** Classes that it must not have. */
  readonly without: readonly string[];
}

/** A selector as wishes from left to right; `combinators[i]` stands before `wishes[i + 1]`. */
export interface WishedSelector {
  readonly wishes: readonly Wish[];
  readonly combinators: readonly Combinator[];
}

type Draft = { -readonly [K in keyof Wish]: Wish[K] };

const blank = (): Draft => ({
  tag: undefined,
  id: undefined,
  classes: [],
  attributes: [],
  opened: [],
  checked: false,
  without: [],
});

const classesWithin = (list: SelectorList): string[] =>
  list.children
    .toArray()
    .flatMap((selector) => ('children' in selector && selector.children ? selector.children.toArray() : []))
    .flatMap((node) => (node.type === 'ClassSelector' ? [ident.decode(node.name)] : []));

/** What a selector asks for; undefined for one that asks what markup does not say, or that is none. */
export const wishesOf = onceForText((text: string): WishedSelector | undefined => {
  const ast = readCss(text, 'selector');
  if (ast?.type !== 'Selector') return undefined;
  const wishes: Draft[] = [blank()];
  const combinators: Combinator[] = [];
  for (const node of ast.children.toArray() as CssNode[]) {
    const own = wishes.at(-1)!;
    switch (node.type) {
      case 'Combinator':
        combinators.push(node.name as Combinator);
        wishes.push(blank());
        break;
      case 'TypeSelector':
        if (node.name !== '*') own.tag = node.name.toLowerCase();
        break;
      case 'IdSelector':
        own.id = ident.decode(node.name);
        break;
      case 'ClassSelector':
        own.classes = [...own.classes, ident.decode(node.name)];
        break;
      case 'AttributeSelector': {
        if (node.matcher !== null && node.matcher !== '=') return undefined;
        const { value } = node;
        const given = !value ? '' : value.type === 'String' ? value.value : ident.decode(value.name);
        own.attributes = [...own.attributes, [node.name.name.toLowerCase(), given]];
        break;
      }
      case 'PseudoClassSelector': {
        const name = node.name.toLowerCase();
        const list = node.children?.first;
        const state = OPENED_STATES.find((known) => known === name);
        if (state) own.opened = [...own.opened, state];
        else if (name === 'checked') own.checked = true;
        else if (name === 'not' && list?.type === 'SelectorList') {
          own.without = [...own.without, ...classesWithin(list)];
        } else return undefined;
        break;
      }
      default:
        return undefined;
    }
  }
  return { wishes, combinators };
});
