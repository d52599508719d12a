import { selectorWithin } from '../component/fitting.js';
import type { Look } from '../look/model.js';
import type { Split } from '../look/split-part.js';
import type { ComponentSession } from './component-session.js';

/**
 * What it takes to split some members of a part off, in its own words: a selector for just these, and their names in
 * exceptions.
 *
 * @param orders the members, by their places on the page
 * @param worn the look as it is worn, over the finish that it follows
 * @throws UnknownCellError for a part that the component has not
 */
export function splitOff(
  session: ComponentSession,
  part: string,
  orders: ReadonlySet<number>,
  worn: Look,
): Omit<Split, 'name'> {
  const { tree } = session.page;
  const members = session.members(part).filter(({ order }) => orders.has(order));
  const elements = members.map(({ order }) => tree.elements[order]!);
  return {
    part,
    selector: selectorWithin(tree, session.selector, elements),
    members: members.map(({ selector }) => selector),
    worn,
  };
}
