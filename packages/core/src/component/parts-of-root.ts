import { splitOutside } from '../value/split-text.js';

/** A kind's selector from its root, written out for a component. */
export function fromRoot(find: string, root: string): string {
  const several = splitOutside(root, (character) => character === ',').length > 1;
  return find.replaceAll(':scope', several ? `:is(${root})` : root);
}
