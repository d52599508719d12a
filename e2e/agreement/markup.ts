import { parse, type CssNode, type Selector } from 'css-tree';

/** What one compound of a selector needs of an element. */
interface Wanted {
  tag: string;
  id: string | undefined;
  classes: Set<string>;
  attributes: Map<string, string>;
  children: Wanted[];
}

const empty = (): Wanted => ({ tag: 'div', id: undefined, classes: new Set(), attributes: new Map(), children: [] });

/** Elements that a browser puts elsewhere, or that mean nothing in a body. */
const MISPLACED = new Set([
  'html',
  'body',
  'head',
  'title',
  'script',
  'style',
  'link',
  'meta',
  'base',
  'frame',
  'frameset',
  'template',
  'noscript',
]);
const VOID = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'source',
  'track',
  'wbr',
]);
/** Parents without which the parser drops an element. */
const NEEDS: Readonly<Record<string, readonly string[]>> = {
  td: ['table', 'tbody', 'tr'],
  th: ['table', 'tbody', 'tr'],
  tr: ['table', 'tbody'],
  tbody: ['table'],
  thead: ['table'],
  tfoot: ['table'],
  caption: ['table'],
  colgroup: ['table'],
  col: ['table', 'colgroup'],
};

const listOf = (node: CssNode): CssNode[] =>
  'children' in node && node.children ? (node.children as unknown as { toArray(): CssNode[] }).toArray() : [];

function take(node: CssNode, wanted: Wanted): void {
  switch (node.type) {
    case 'TypeSelector':
      if (node.name !== '*') wanted.tag = node.name.toLowerCase().replace(/^.*\|/, '');
      break;
    case 'ClassSelector':
      wanted.classes.add(node.name.replace(/\\(.)/g, '$1'));
      break;
    case 'IdSelector':
      wanted.id = node.name.replace(/\\(.)/g, '$1');
      break;
    case 'AttributeSelector': {
      const value = node.value === null ? '' : node.value.type === 'String' ? node.value.value : node.value.name;
      wanted.attributes.set(node.name.name, value);
      break;
    }
    case 'PseudoClassSelector': {
      const name = node.name.toLowerCase();
      if (name === 'disabled' || name === 'checked') wanted.attributes.set(name, '');
      else if (name === 'any-link' || name === 'link') {
        wanted.tag = 'a';
        wanted.attributes.set('href', '#');
      } else if (name === 'is' || name === 'where' || name === '-webkit-any') {
        const first = listOf(node)[0] && listOf(listOf(node)[0]!)[0];
        // Only the last compound of the first choice, which is enough for most.
        if (first) for (const inner of listOf(first)) if (inner.type !== 'Combinator') take(inner, wanted);
      }
      break;
    }
  }
}

/** A chain of elements that one complex selector matches; undefined where the body cannot hold them. */
function chainFor(selector: Selector): { chain: Wanted[]; siblings: boolean[] } | undefined {
  const chain: Wanted[] = [empty()];
  const siblings: boolean[] = [];
  for (const node of selector.children.toArray() as CssNode[]) {
    if (node.type === 'Combinator') {
      chain.push(empty());
      siblings.push(node.name === '+' || node.name === '~');
    } else take(node, chain.at(-1)!);
  }
  if (chain.some((item) => MISPLACED.has(item.tag)) && chain.length === 1) return undefined;
  return { chain: chain.filter((item) => !MISPLACED.has(item.tag) || chain.length === 1), siblings };
}

const escape = (text: string) => text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');

function open(item: Wanted): string {
  const attributes = [
    ...(item.id === undefined ? [] : [`id="${escape(item.id)}"`]),
    ...(item.classes.size ? [`class="${escape([...item.classes].join(' '))}"`] : []),
    ...[...item.attributes]
      .filter(([name]) => name !== 'class' && name !== 'id' && !name.startsWith('on'))
      .map(([name, value]) => `${name}="${escape(value)}"`),
  ];
  return `<${[item.tag, ...attributes].join(' ')}>`;
}

function htmlFor(selector: Selector): string {
  const found = chainFor(selector);
  if (!found || found.chain.some((item) => MISPLACED.has(item.tag))) return '';
  const { chain, siblings } = found;
  let html = '';
  let closing = '';
  chain.forEach((item, i) => {
    const needed = i === 0 || !siblings[i - 1] ? (NEEDS[item.tag] ?? []) : [];
    const present = chain.slice(0, i).map((other) => other.tag);
    for (const tag of needed) {
      if (present.includes(tag)) continue;
      html += `<${tag}>`;
      closing = `</${tag}>${closing}`;
    }
    html += open(item);
    const isVoid = VOID.has(item.tag);
    if (siblings[i] || i === chain.length - 1) {
      // An element that is followed by its sibling ends before it.
      html += isVoid ? '' : `${item.tag === 'svg' ? '' : 'text'}</${item.tag}>`;
    } else if (!isVoid) closing = `</${item.tag}>${closing}`;
  });
  return html + closing;
}

/** A page on which nearly every selector of some sheets matches something. */
export function pageFromSelectors(sheets: readonly string[], most = 3000): string {
  const seen = new Set<string>();
  for (const text of sheets) {
    const sheet = parse(text, { parseValue: false, parseCustomProperty: false, onParseError: () => undefined });
    const visit = (node: CssNode): void => {
      if (node.type === 'Rule' && node.prelude.type === 'SelectorList') {
        for (const selector of node.prelude.children.toArray()) {
          const html = htmlFor(selector as Selector);
          if (html && seen.size < most) seen.add(html);
        }
      }
      if (node.type === 'StyleSheet') node.children.forEach(visit);
      else if (node.type === 'Atrule' && node.block && !/keyframes|font-face/i.test(node.name))
        node.block.children.forEach(visit);
    };
    visit(sheet);
  }
  return [...seen].join('\n');
}
