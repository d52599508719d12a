import type { SelectorList } from 'css-tree';
import type { RuleSpan } from '../css/sheet/sheet.js';
import { readCss } from '../css/syntax/read.js';
import { dependsOnHistory } from '../css/cascade/visited.js';
import { SHORTHANDS } from '../css/shorthand/index.js';
import { markerOf } from './markers.js';
import type { Edit } from './edit.js';

/** Stands for `:link`, at its weight; whether the browser has been there has no say in a frame. */
export const UNVISITED = `:any-link:where(:not([${markerOf('visited')}]))`;

/**
 * What a rule about visited or unvisited links comes to in a frame, where a marker stands for the history: of the rules
 * for visited links browsers take colours alone, and all else from those for unvisited ones.
 */
export function historyEdits(list: SelectorList, span: RuleSpan, css: string): Edit[] {
  const rule = readCss(css.slice(span.start, span.end), 'rule', {
    positions: true,
    offset: span.start,
    parseValue: false,
    parseCustomProperty: false,
    parseRulePrelude: false,
  });
  if (rule?.type !== 'Rule') return [];
  const selectors = list.children
    .toArray()
    .flatMap(({ loc }) => (loc ? [css.slice(loc.start.offset, loc.end.offset)] : []));
  if (!selectors.some((text) => LINK.test(text) || VISITED.test(text))) return [];
  // What holds an address is rewritten where it stands, so it stays there.
  const spans = rule.block.children.toArray().flatMap((node) => {
    if (node.type !== 'Declaration' || !node.loc || mayDepend(node.property.toLowerCase())) return [];
    const { start, end } = { start: node.loc.start.offset, end: node.loc.end.offset };
    return css.slice(start, end).includes('url(') ? [] : [{ start, end }];
  });
  if (!spans.length) return [];
  const unvisited = selectors.filter((text) => !VISITED.test(text)).map((text) => text.replace(LINKS, ':any-link'));
  const kept = spans.map(({ start, end }) => css.slice(start, end)).join('; ');
  const at = span.prelude.start;
  return [
    ...(unvisited.length ? [{ start: at, end: at, text: `${unvisited.join(', ')} { ${kept} }\n` }] : []),
    ...spans.map((span) => ({ ...span, text: '' })),
  ];
}

/** Whether selectors ask whether a link was visited. */
export const ASKS_HISTORY = /:(link|visited)(?![\w-])/i;
const LINK = /:link(?![\w-])/i;
const LINKS = /:link(?![\w-])/gi;
const VISITED = /:visited(?![\w-])/i;

/** True for colours that the history has a say in, and for what sets one among others; of an underline the line counts. */
const mayDepend = (property: string): boolean =>
  dependsOnHistory(property) ||
  (property !== 'text-decoration' && (SHORTHANDS.get(property)?.longhands ?? []).some(dependsOnHistory));
