import { heavierOf, NO_SPECIFICITY, type Specificity } from '../../css/selector/specificity.js';
import { specificityOf } from '../../css/selector/weight.js';
import type { Plan, PlannedRule } from '../../handover/index.js';
import { reachedBy } from '../../css/selector/locator.js';
import type { DressedPage, LookHere } from '../dressed-page.js';
import { overlap } from '../reach.js';
import type { SitePage, WornLook } from '../worn.js';

/** A page with the looks that reach it, the one that lies under all others first. */
export interface PageLooks {
  readonly page: SitePage;
  readonly dressed: DressedPage;
  readonly looks: readonly LookHere[];
}

/** How heavy a part's rules must be, and what they must declare with !important, whichever page they are on. */
export interface PartFloor {
  weight: Specificity;
  readonly important: Set<string>;
}

export const floorKey = (worn: WornLook, part: string): string => `${worn.id} ${part}`;

/** The order in which looks stand in the sheet for every page: what reaches wide first, what is contained last. */
export function siteOrder(pages: readonly PageLooks[]): WornLook[] {
  const ranks = new Map<WornLook, { reach: number; under: number; order: number }>();
  for (const { looks } of pages) {
    looks.forEach(({ worn, placed }, place) => {
      const own = ranks.get(worn) ?? { reach: 0, under: 0, order: ranks.size };
      own.reach += placed.located.elements.length;
      own.under = Math.max(own.under, place);
      ranks.set(worn, own);
    });
  }
  return [...ranks]
    .sort(([, a], [, b]) => b.reach - a.reach || a.under - b.under || a.order - b.order)
    .map(([worn]) => worn);
}

const importantIn = (plan: Plan): string[] =>
  plan.rules.flatMap(({ declarations }) => declarations.flatMap((own) => (own.important ? [own.property] : [])));

/** Raises the floors of a look's parts to what its rules came to on one page. */
export function raiseFloors(floors: Map<string, PartFloor>, worn: WornLook, plans: readonly Plan[]): void {
  for (const plan of plans) {
    const floor = floorOf(floors, worn, plan.part.part.name);
    floor.weight = heavierOf(floor.weight, specificityOf(plan.baseSelector));
    for (const property of importantIn(plan)) floor.important.add(property);
  }
}

export function floorOf(floors: Map<string, PartFloor>, worn: WornLook, part: string): PartFloor {
  const key = floorKey(worn, part);
  let floor = floors.get(key);
  if (!floor) floors.set(key, (floor = { weight: NO_SPECIFICITY, important: new Set() }));
  return floor;
}

/**
 * Raises the floors of looks to those of the looks that lie under them and are about the same elements: on one page
 * rules may have to be heavy, and what stands over them must then be so on every page.
 */
export function settleFloors(
  floors: Map<string, PartFloor>,
  order: readonly WornLook[],
  pages: readonly PageLooks[],
): void {
  const parts = (worn: WornLook) => [...floors.keys()].filter((key) => key.startsWith(`${worn.id} `));
  order.forEach((worn, at) => {
    for (const under of order.slice(0, at)) {
      if (!pages.some(({ looks }) => meet(looks, under, worn))) continue;
      for (const key of parts(worn)) {
        const own = floors.get(key)!;
        for (const lower of parts(under)) {
          const { weight, important } = floors.get(lower)!;
          own.weight = heavierOf(own.weight, weight);
          for (const property of important) own.important.add(property);
        }
      }
    }
  });
}

/** Whether two looks are about the same elements of a page. */
export function meet(looks: readonly LookHere[], one: WornLook, other: WornLook): boolean {
  const a = looks.find(({ worn }) => worn === one);
  const b = looks.find(({ worn }) => worn === other);
  return a !== undefined && b !== undefined && overlap(a.placed, b.placed);
}

/** What the sheet for every page says for one look. */
export interface LookPlans {
  readonly worn: WornLook;
  readonly plans: readonly Plan[];
}

/** A plan of a part on one page. */
export interface PlanHere {
  readonly page: PageLooks;
  readonly plan: Plan;
}

const ruleText = ({ states, media, selector, declarations }: PlannedRule): string =>
  JSON.stringify([states, media, selector, declarations]);
const planText = ({ baseSelector, rules }: Plan): string => [baseSelector, ...rules.map(ruleText)].join('\n');

const without = (plan: Plan, leave: (rule: PlannedRule) => boolean): Plan => ({
  ...plan,
  rules: plan.rules.filter((rule) => !leave(rule)),
});

/**
 * Of one part's plans on several pages the one that goes for all of them: the one that most pages have, the first among
 * equals. What a page wants otherwise is said in its own sheet. Rules that tell elements of a page apart are kept where
 * the component stands on one page, and they reach nothing on the others.
 */
export function planForAll(plans: readonly PlanHere[], pages: readonly PageLooks[]): Plan {
  if (plans.length === 1) {
    const [{ page, plan }] = plans as [PlanHere];
    const others = pages.filter((other) => other !== page);
    return without(
      plan,
      ({ byPlace, selector }) =>
        byPlace && others.some(({ dressed }) => reachedBy(dressed.page.tree, selector).length > 0),
    );
  }
  const byText = new Map<string, { plan: Plan; count: number }>();
  for (const { plan } of plans) {
    const own = without(plan, ({ byPlace }) => byPlace);
    const text = planText(own);
    const known = byText.get(text);
    if (known) known.count++;
    else byText.set(text, { plan: own, count: 1 });
  }
  return [...byText.values()].reduce((best, next) => (next.count > best.count ? next : best)).plan;
}
