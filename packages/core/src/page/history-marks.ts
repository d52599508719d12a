import type { Rule } from 'css-tree';
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
export function historyEdits({ prelude, block }: Rule, css: string): Edit[] {
  if (prelude.type !== 'SelectorList' || !prelude.loc || !block.loc) return [];
  const selectors = prelude.children
    .toArray()
    .flatMap(({ loc }) => (loc ? [css.slice(loc.start.offset, loc.end.offset)] : []));
  if (!selectors.some((text) => LINK.test(text) || VISITED.test(text))) return [];
  // What holds an address is rewritten where it stands, so it stays there.
  const spans = block.children.toArray().flatMap((node) => {
    if (node.type !== 'Declaration' || !node.loc || mayDepend(node.property.toLowerCase())) return [];
    const { start, end } = { start: node.loc.start.offset, end: node.loc.end.offset };
    return css.slice(start, end).includes('url(') ? [] : [{ start, end }];
  });
  if (!spans.length) return [];
  const unvisited = selectors.filter((text) => !VISITED.test(text)).map((text) => text.replace(LINKS, ':any-link'));
  const kept = spans.map(({ start, end }) => css.slice(start, end)).join('; ');
  const at = prelude.loc.start.offset;
  return [
    ...(unvisited.length ? [{ start: at, end: at, text: `${unvisited.join(', ')} { ${kept} }\n` }] : []),
    ...spans.map((span) => ({ ...span, text: '' })),
  ];
}

const LINK = /:link(?![\w-])/i;
const LINKS = /:link(?![\w-])/gi;
const VISITED = /:visited(?![\w-])/i;

/** True for colours that the history has a say in, and for what sets one among others; of an underline the line counts. */
const mayDepend = (property: string): boolean =>
  dependsOnHistory(property) ||
  (property !== 'text-decoration' && (SHORTHANDS.get(property)?.longhands ?? []).some(dependsOnHistory));
