import { reachedBy } from '../css/selector/locator.js';
import { descendants, type ElementNode, type PageTree } from '../tree/tree.js';
import type { Kind } from './kind.js';
import { fromRoot } from './parts-of-root.js';

/**
 * What belongs to a component: its roots and all that they hold, but for what its kind says that is none of it.
 *
 * @param root the component's own selector
 */
export function heldBy(tree: PageTree, kind: Kind, root: string): Set<ElementNode> {
  const held = new Set<ElementNode>();
  for (const element of reachedBy(tree, root)) {
    held.add(element);
    for (const inner of descendants(element)) held.add(inner);
  }
  for (const outside of kind.outside ?? []) {
    for (const element of reachedBy(tree, fromRoot(outside, root))) {
      held.delete(element);
      for (const inner of descendants(element)) held.delete(inner);
    }
  }
  return held;
}
