import { ident } from 'css-tree';
import { selfAndAncestors, type ElementNode } from './tree.js';

/** A selector that reaches one element only, by its place: from the nearest id, or from the root. */
export function pathSelector(element: ElementNode): string {
  const steps: string[] = [];
  for (const node of selfAndAncestors(element)) {
    if (node.id) {
      steps.unshift(`#${ident.encode(node.id)}`);
      break;
    }
    steps.unshift(node.parent ? `${node.name}:nth-child(${node.siblingIndex + 1})` : ':root');
  }
  return steps.join(' > ');
}
