import { ownNames } from '../component/fitting.js';
import type { FoundPart } from '../component/parts.js';
import { selectAll } from '../css/selector/locator.js';
import { pathSelector } from '../tree/path.js';
import { readableText, type ElementNode, type PageTree } from '../tree/tree.js';
import { ident } from 'css-tree';

/** One element of a part, with a selector that tells it from the others. */
export interface PartMember {
  readonly order: number;
  readonly text: string;
  readonly selector: string;
}

const LONGEST_TEXT = 60;

/** Selectors for one element, those that outlive changes of the page first. */
function* candidates(element: ElementNode): Generator<string> {
  yield* ownNames(element);
  const { parent } = element;
  if (parent?.id) yield `#${ident.encode(parent.id)} > *`;
  if (parent?.name === 'li') yield `li:nth-child(${parent.siblingIndex + 1}) > *`;
  yield `:nth-child(${element.siblingIndex + 1})`;
}

/** The elements of a part as somebody would choose among them. */
export function membersOf(tree: PageTree, part: FoundPart): PartMember[] {
  return part.elements.map((element): PartMember => {
    const apart = [...candidates(element)].find((selector) => {
      const reached = new Set(selectAll(tree, selector));
      return part.elements.filter((other) => reached.has(other)).length === 1;
    });
    return {
      order: element.order,
      text: (
        readableText(element) ||
        element.attributes.get('aria-label') ||
        element.attributes.get('placeholder') ||
        element.attributes.get('alt') ||
        element.name
      ).slice(0, LONGEST_TEXT),
      selector: apart ?? pathSelector(element),
    };
  });
}
