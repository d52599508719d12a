import { ident, type CssNode, type Selector, type SelectorList } from 'css-tree';
import { matchesAttribute } from './attribute.js';
import { classAfterPseudoElement, compilePseudoClass, type PseudoTest } from './pseudo-class.js';
import { pseudoElementName } from './pseudo-element.js';
import { addSpecificity, maxSpecificity, NO_SPECIFICITY } from './specificity.js';
import {
  InvalidSelectorError,
  type Combinator,
  type CompiledSelector,
  type Compound,
  type CompileOptions,
  type MatchAny,
  type SimplePart,
  type Test,
} from './types.js';

interface Draft {
  tests: Test[];
  tag: string | undefined;
  id: string | undefined;
  classes: string[];
  attribute: string | undefined;
  anyOf: readonly Compound[] | undefined;
}

const emptyDraft = (): Draft => ({
  tests: [],
  tag: undefined,
  id: undefined,
  classes: [],
  attribute: undefined,
  anyOf: undefined,
});

const classTest =
  (name: string): Test =>
  (element, context) =>
    element.classes.includes(name) ||
    (context.quirks && element.classes.some((own) => own.toLowerCase() === name.toLowerCase()));

const idTest =
  (name: string): Test =>
  (element, context) =>
    element.id === name || (context.quirks && element.id?.toLowerCase() === name.toLowerCase());

const tagTest = (name: string): Test => {
  const lower = name.toLowerCase();
  return (element) => element.name === (element.namespace === 'html' ? lower : name);
};

const isAnchor: Test = (element, context) => element === context.anchor;

/**
 * Compiles every selector of a list.
 *
 * @throws InvalidSelectorError when any of them is invalid, since a browser then drops the whole list
 */
export const compileList = (list: SelectorList, options: CompileOptions, matchAny: MatchAny): CompiledSelector[] => {
  const selectors = list.children.toArray();
  if (!selectors.length) throw new InvalidSelectorError('The list is empty.');
  return selectors.map((selector) => compileSelector(selector as Selector, options, matchAny));
};

const hasNesting = (node: CssNode, scoped: boolean): boolean => {
  if (node.type === 'NestingSelector') return true;
  if (scoped && node.type === 'PseudoClassSelector' && node.name.toLowerCase() === 'scope') return true;
  const children = 'children' in node ? node.children : null;
  if (!children) return false;
  return (children as Iterable<CssNode> & { toArray(): CssNode[] })
    .toArray()
    .some((child) => hasNesting(child, scoped));
};

export function compileSelector(selector: Selector, options: CompileOptions, matchAny: MatchAny): CompiledSelector {
  const nodes = (selector.children?.toArray() ?? []) as CssNode[];
  if (!nodes.length) throw new InvalidSelectorError('The selector is empty.');
  const compounds: Draft[] = [emptyDraft()];
  const combinators: Combinator[] = [];
  let specificity = NO_SPECIFICITY;
  let states = 0;
  let pseudoElement: string | undefined;
  const pseudoTests: PseudoTest[] = [];
  let open = false;

  const tools = { matchAny, compile: (inner: Selector, own: CompileOptions) => compileSelector(inner, own, matchAny) };
  const add = (part: SimplePart) => {
    compounds.at(-1)!.tests.push(part.test);
    compounds.at(-1)!.anyOf ??= part.anyOf;
    specificity = addSpecificity(specificity, part.specificity);
    states |= part.states;
    open = true;
  };
  const addNesting = () => add(nestingPart(options.parents ?? [], matchAny));

  const implied = options.relative || (options.parents !== undefined && !hasNesting(selector, options.scoped ?? false));
  if (implied) {
    if (options.relative) add({ test: isAnchor, specificity: NO_SPECIFICITY, states: 0 });
    else addNesting();
    if (nodes[0]!.type !== 'Combinator') {
      combinators.push(' ');
      compounds.push(emptyDraft());
      open = false;
    }
  }

  for (const node of nodes) {
    if (pseudoElement !== undefined && node.type !== 'PseudoClassSelector') {
      throw new InvalidSelectorError('Nothing but a state may follow a pseudo-element.');
    }
    switch (node.type) {
      case 'Combinator': {
        if (!open) throw new InvalidSelectorError('A combinator needs a selector before it.');
        if (![' ', '>', '+', '~'].includes(node.name))
          throw new InvalidSelectorError(`Unknown combinator ${node.name}.`);
        combinators.push(node.name as Combinator);
        compounds.push(emptyDraft());
        open = false;
        break;
      }
      case 'TypeSelector': {
        const bar = node.name.lastIndexOf('|');
        const prefix = bar < 0 ? undefined : node.name.slice(0, bar);
        const local = node.name.slice(bar + 1);
        if (prefix !== undefined && prefix !== '*' && prefix !== '') {
          throw new InvalidSelectorError(`The namespace ${prefix} is not declared.`);
        }
        if (local === '*') {
          add({ test: () => true, specificity: NO_SPECIFICITY, states: 0 });
        } else {
          const name = ident.decode(local);
          compounds.at(-1)!.tag = name.toLowerCase();
          add({ test: tagTest(name), specificity: [0, 0, 1], states: 0 });
        }
        break;
      }
      case 'ClassSelector': {
        const name = ident.decode(node.name);
        compounds.at(-1)!.classes.push(name);
        add({ test: classTest(name), specificity: [0, 1, 0], states: 0 });
        break;
      }
      case 'IdSelector': {
        if (!/^(-?[a-z_\u0080-\uffff\\]|--)/i.test(node.name))
          throw new InvalidSelectorError(`#${node.name} is no id.`);
        const name = ident.decode(node.name);
        compounds.at(-1)!.id = name;
        add({ test: idTest(name), specificity: [1, 0, 0], states: 0 });
        break;
      }
      case 'AttributeSelector': {
        const raw = node.value;
        const value = raw === null ? '' : raw.type === 'String' ? raw.value : ident.decode(raw.name);
        const test = { name: ident.decode(node.name.name), matcher: node.matcher, value, flag: node.flags };
        compounds.at(-1)!.attribute ??= test.name.toLowerCase();
        if (test.flag && !/^i$/i.test(test.flag)) throw new InvalidSelectorError(`Unknown flag ${test.flag}.`);
        add({ test: (element) => matchesAttribute(element, test), specificity: [0, 1, 0], states: 0 });
        break;
      }
      case 'NestingSelector':
        addNesting();
        break;
      case 'PseudoClassSelector': {
        const legacy = pseudoElementName(node.name, true);
        if (legacy && !node.children) {
          pseudoElement = legacy;
          specificity = addSpecificity(specificity, [0, 0, 1]);
          open = true;
        } else if (pseudoElement !== undefined) {
          const after = classAfterPseudoElement(node, pseudoElement);
          pseudoTests.push(after.test);
          states |= after.states;
          specificity = addSpecificity(specificity, after.specificity);
        } else {
          add(compilePseudoClass(node, options, tools));
        }
        break;
      }
      case 'PseudoElementSelector': {
        const name = pseudoElementName(node.name, false);
        if (!name) throw new InvalidSelectorError(`Unknown pseudo-element ::${node.name}.`);
        pseudoElement = name;
        specificity = addSpecificity(specificity, [0, 0, 1]);
        open = true;
        break;
      }
      default:
        throw new InvalidSelectorError(`Cannot read ${node.type} in a selector.`);
    }
  }
  if (!open) throw new InvalidSelectorError('The selector ends in a combinator.');
  return { text: '', compounds, combinators, pseudoElement, pseudoTests, specificity, states };
}

function nestingPart(parents: readonly CompiledSelector[], matchAny: MatchAny): SimplePart {
  // Outside any rule `&` is :scope (CSS Nesting 1, section 3.1).
  if (!parents.length) {
    return {
      test: (element, context) => element === context.scope || (!context.scope && !element.parent),
      specificity: NO_SPECIFICITY,
      states: 0,
    };
  }
  return {
    test: (element, context) => matchAny(parents, element, context),
    anyOf: parents.map((parent) => parent.compounds.at(-1)!),
    specificity: maxSpecificity(parents.map((parent) => parent.specificity)),
    states: parents.reduce((bits, parent) => bits | parent.states, 0),
  };
}
