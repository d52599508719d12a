import type { Condition, LayerEntry, Origin } from '../sheet/sheet.js';
import type { CascadeSheet } from './rule-entry.js';

/** How a layer is named among all of a page; empty for what stands in none. */
export const layerKey = (origin: Origin, path: readonly string[]): string =>
  path.length ? `${origin} ${path.join('\u0000')}` : '';

interface LayerNode {
  readonly children: Map<string, LayerNode>;
}

/** Orders layers by first appearance; what stands directly in a layer ranks above its nested layers (Cascade 5, 6.4). */
export function layerRanks(
  sheets: readonly CascadeSheet[],
  hold: (conditions: readonly Condition[]) => boolean,
): Map<string, number> {
  const ranks = new Map<string, number>();
  for (const origin of ['browser', 'author'] as const) {
    const root: LayerNode = { children: new Map() };
    const enter = (path: readonly string[]) => {
      let node = root;
      for (const name of path) {
        let child = node.children.get(name);
        if (!child) node.children.set(name, (child = { children: new Map() }));
        node = child;
      }
    };
    for (const { sheet, origin: own, layer, conditions } of sheets) {
      if (own !== origin || !hold(conditions)) continue;
      if (layer.length) enter(layer);
      for (const entry of sheet.layers as readonly LayerEntry[]) {
        if (hold(entry.conditions)) enter([...layer, ...entry.path]);
      }
    }
    let next = 0;
    const number = (node: LayerNode, path: readonly string[]) => {
      for (const [name, child] of node.children) number(child, [...path, name]);
      if (path.length) ranks.set(layerKey(origin, path), next++);
    };
    number(root, []);
  }
  return ranks;
}
