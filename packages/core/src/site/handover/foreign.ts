import { reachedBy } from '../../css/selector/locator.js';
import type { LookPlans, PageLooks } from './plan-site.js';
import type { ForeignReach } from './site-handover.js';

/** Elements of a page that the sheet for every page reaches though they are none of the component that it is about. */
export function foreignReach({ dressed, looks }: PageLooks, forAll: readonly LookPlans[]): ForeignReach[] {
  const { tree } = dressed.page;
  return forAll.flatMap(({ worn, plans }) => {
    const own = looks.find((item) => item.worn === worn)?.placed;
    return plans.flatMap(({ part: { part }, baseSelector }): ForeignReach[] => {
      const here = own?.parts.find((item) => item.part.name === part.name);
      const members = new Set(here ? reachedBy(tree, here.selector) : []);
      const elements = reachedBy(tree, baseSelector).filter((element) => !members.has(element)).length;
      return elements ? [{ worn: worn.id, selector: baseSelector, elements }] : [];
    });
  });
}
