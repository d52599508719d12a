import { InvalidSelectorError } from '../../css/selector/match.js';
import type { Plan } from '../../handover/index.js';
import { selectAll } from '../../page/locator.js';
import type { ElementNode, PageTree } from '../../page/tree.js';
import type { WornLook } from '../worn.js';
import type { PageLooks } from './plan-site.js';
import type { ForeignReach } from './site-handover.js';

const reached = (tree: PageTree, selector: string): readonly ElementNode[] => {
  try {
    return selectAll(tree, selector);
  } catch (error) {
    if (error instanceof InvalidSelectorError) return [];
    throw error;
  }
};

/** Elements of a page that the sheet for every page reaches though they are none of the component that it is about. */
export function foreignReach(
  { dressed, looks }: PageLooks,
  forAll: readonly { readonly worn: WornLook; readonly plans: readonly Plan[] }[],
): ForeignReach[] {
  const { tree } = dressed.page;
  return forAll.flatMap(({ worn, plans }) => {
    const own = looks.find((item) => item.worn === worn)?.placed;
    return plans.flatMap(({ part: { part }, baseSelector }): ForeignReach[] => {
      const here = own?.parts.find((item) => item.part.name === part.name);
      const members = new Set(here ? reached(tree, here.selector) : []);
      const elements = reached(tree, baseSelector).filter((element) => !members.has(element)).length;
      return elements ? [{ worn: worn.id, selector: baseSelector, elements }] : [];
    });
  });
}
