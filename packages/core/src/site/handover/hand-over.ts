import { BEHAVIOURS, elementOf } from '../../component/behaviours/index.js';
import { heavierOf, NO_SPECIFICITY, type Specificity } from '../../css/selector/specificity.js';
import { specificityOf } from '../../css/selector/weight.js';
import {
  asLastSheet,
  fontFaces,
  fontsOf,
  printPlans,
  proveOn,
  type Plan,
  type PlannedBefore,
} from '../../handover/index.js';
import { activeSettings } from '../../look/model.js';
import { selectAll } from '../../css/selector/locator.js';
import type { LookHere } from '../dressed-page.js';
import type { Steps } from '../../base/steps.js';
import { overlap, subjectKey } from '../reach.js';
import type { SiteUnder } from '../site.js';
import type { WornLook } from '../worn.js';
import { foreignReach } from './foreign.js';
import {
  floorKey,
  floorOf,
  meet,
  planForAll,
  raiseFloors,
  settleFloors,
  siteOrder,
  type LookPlans,
  type PageLooks,
  type PartFloor,
  type PlanHere,
} from './plan-site.js';
import { pageFileName } from './file-names.js';
import type {
  HandoverFailure,
  HandoverFile,
  HtmlPatch,
  PageProof,
  SiteHandover,
  SiteHandoverOptions,
  UnbeatableRule,
} from './site-handover.js';

/** Sheets of pages are made again this often for what their first proof shows to differ. */
const MOST_ROUNDS = 4;

/** Properties of a look's part that a page's own sheet must say. */
type Wanted = Map<string, Set<string>>;

/**
 * The CSS that gives a whole site its looks: one sheet for every page, one more for each page that wants something else,
 * and the proof on every page that a look reaches.
 *
 * Each look is planned on each page. What most pages have goes into the sheet for all; where a page would then show
 * something else than the look says there, its own sheet says those rows whole.
 */
export function* handingOver(site: SiteUnder, options: SiteHandoverOptions = {}): Steps<SiteHandover> {
  const { fonts = [], fileName = 'retoque.css' } = options;
  let done = 0;
  const count = site.pages.length * 3 + 1;
  const step = () => ({ done: ++done, of: Math.max(count, done) });

  const pages: PageLooks[] = [];
  for (const page of site.pages) {
    const dressed = site.on(page.version);
    pages.push({ page, dressed, looks: dressed.lookList() });
    yield step();
  }
  const order = siteOrder(pages);

  // What rules must weigh somewhere they weigh everywhere, so that one sheet goes for all pages.
  const floors = new Map<string, PartFloor>();
  for (const { looks } of pages) {
    for (const { worn, session } of looks) raiseFloors(floors, worn, session.rulesOf.planned(worn.look));
    yield step();
  }
  settleFloors(floors, order, pages);

  const unbeatable = new Map<string, UnbeatableRule>();
  const forAll: (LookPlans & { readonly fallback: string })[] = [];
  for (const worn of order) {
    const under = forAll.filter((other) => pages.some(({ looks }) => meet(looks, other.worn, worn)));
    const least = heaviest(
      under.flatMap((other) => other.plans),
      NO_SPECIFICITY,
    );
    const byPart = new Map<string, PlanHere[]>();
    let fallback = '';
    for (const page of pages) {
      const here = page.looks.find((own) => own.worn === worn);
      if (!here) continue;
      const { rulesOf } = here.session;
      const plans = rulesOf.planned(worn.look, {
        over: (part) => {
          const { weight, important } = floorOf(floors, worn, part);
          return { weight: heavierOf(weight, least), important, sameRows: false };
        },
      });
      for (const plan of plans) {
        const { name } = plan.part.part;
        byPart.set(name, [...(byPart.get(name) ?? []), { page, plan }]);
        for (const rule of unbeatableOf(worn, plan)) unbeatable.set(JSON.stringify(rule), rule);
      }
      fallback ||= rulesOf.fallback(worn.look);
    }
    const plans = [...byPart.values()].map((own) => planForAll(own, pages));
    if (plans.some(({ rules }) => rules.length)) forAll.push({ worn, plans, fallback });
    yield step();
  }
  const faces = fontFaces([...new Set(order.flatMap(({ look }) => fontsOf(look, fonts)))]);
  const patches = site.pages.flatMap(({ pageId, name, changes = [] }): HtmlPatch[] =>
    changes.map((change) => ({ page: { pageId, name }, change })),
  );
  const siteCss = [
    faces,
    rootRule(order, site.properties ?? new Map()),
    // What was added to pages is styled by itself first, as it is in the pages that looks were made on.
    ...new Set(patches.flatMap(({ change }) => (change.css ? [change.css] : []))),
    ...forAll.map(({ worn, plans, fallback }) =>
      `${printPlans(plans, worn.name)}${fallback && `\n${fallback}`}`.trimEnd(),
    ),
  ]
    .filter(Boolean)
    .join('\n\n');

  const files: HandoverFile[] = siteCss ? [{ path: fileName, text: `${siteCss}\n` }] : [];
  const proofs: PageProof[] = [];
  const taken = new Set([fileName]);
  for (const own of pages) {
    if (!own.looks.length) {
      yield step();
      continue;
    }
    const { pageCss, failures, compared, ranges } = forPage(own, siteCss, forAll, floors);
    if (pageCss) {
      const path = pageFileName(fileName, own.page.name, taken);
      files.push({ path, text: pageCss, page: { pageId: own.page.pageId, name: own.page.name } });
    }
    proofs.push({
      pageId: own.page.pageId,
      name: own.page.name,
      worn: own.looks.map(({ worn }) => worn.id),
      compared,
      ranges,
      failures,
      foreign: foreignReach(own, forAll),
      notCompared: notCompared(own),
    });
    yield step();
  }
  // A page without the components may still be reached by their selectors.
  for (const own of pages) {
    if (own.looks.length) continue;
    const foreign = foreignReach(own, forAll);
    if (!foreign.length) continue;
    const { pageId, name } = own.page;
    proofs.push({ pageId, name, worn: [], compared: 0, ranges: 0, failures: [], foreign, notCompared: 0 });
  }
  const placed = new Set(order.map(({ id }) => id));
  return {
    files,
    patches,
    pages: proofs,
    unbeatable: [...unbeatable.values()],
    behaviours: BEHAVIOURS.filter((behaviour) =>
      pages.some(({ dressed }) => dressed.page.tree.elements.some(({ name }) => name === elementOf(behaviour))),
    ).map(({ name }) => name),
    nowhere: site.worn.filter(({ id, look }) => activeSettings(look).length && !placed.has(id)).map(({ id }) => id),
  };
}

/** The custom properties that looks name, in one rule for the whole page. */
function rootRule(order: readonly WornLook[], properties: ReadonlyMap<string, string>): string {
  const values = order.flatMap(({ look }) => activeSettings(look).map(({ value }) => value)).join('\n');
  const named = [...properties].filter(([name]) => values.includes(`var(${name},`));
  if (!named.length) return '';
  return `/* Colours of the palette. */\n:root {\n${named.map(([name, css]) => `  ${name}: ${css};`).join('\n')}\n}`;
}

const unbeatableOf = (worn: WornLook, plan: Plan): UnbeatableRule[] =>
  plan.unbeatable.map(({ property, applied }) => ({
    worn: worn.id,
    property,
    selector: applied.selector?.text ?? 'style attribute',
    sheet: applied.declaration.place.sheet,
    line: applied.declaration.place.line,
  }));

interface ForPage {
  readonly pageCss: string;
  readonly failures: readonly HandoverFailure[];
  readonly compared: number;
  readonly ranges: number;
}

/** What one page's own sheet must say, and the proof of both sheets there. */
function forPage(
  own: PageLooks,
  siteCss: string,
  forAll: readonly LookPlans[],
  floors: Map<string, PartFloor>,
): ForPage {
  const wanted: Wanted = new Map();
  const add = (worn: WornLook, part: string, property: string): boolean => {
    const key = floorKey(worn, part);
    const known = wanted.get(key) ?? new Set<string>();
    if (known.has(property)) return false;
    wanted.set(key, known.add(property));
    return true;
  };
  for (const { worn, session } of own.looks) {
    for (const [part, properties] of session.rulesOf.propertiesOfPage(worn.look)) {
      for (const property of properties) add(worn, part, property);
    }
  }
  let last: ForPage | undefined;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    carryOn(own, wanted, add);
    const pageCss = pageSheet(own, wanted, forAll, floors);
    last = { pageCss, ...proofOf(own, pageCss ? `${siteCss}\n${pageCss}` : siteCss) };
    const isMore = last.failures.map(({ worn, part, property }) => {
      const here = own.looks.find((item) => item.worn.id === worn)!;
      return add(here.worn, part, property);
    });
    if (!isMore.some(Boolean)) break;
  }
  return last!;
}

/** What a page's sheet says for one look it says again for those that lie over it and decide the same. */
function carryOn(
  own: PageLooks,
  wanted: Wanted,
  add: (worn: WornLook, part: string, property: string) => boolean,
): void {
  own.looks.forEach((over, i) => {
    for (const under of own.looks.slice(0, i)) {
      if (!overlap(under.placed, over.placed)) continue;
      const said = new Set(
        under.placed.parts.flatMap(({ part }) => [...(wanted.get(floorKey(under.worn, part.name)) ?? [])]),
      );
      for (const { part, property } of activeSettings(over.worn.look))
        if (said.has(property)) add(over.worn, part, property);
    }
  });
}

function pageSheet(
  own: PageLooks,
  wanted: Wanted,
  forAll: readonly LookPlans[],
  floors: Map<string, PartFloor>,
): string {
  const said: { readonly look: LookHere; readonly plans: readonly Plan[] }[] = [];
  const sheets = own.looks.map((look) => {
    const { worn, session } = look;
    const before = beforePage(own, worn, forAll, floors);
    // What this sheet has said already for looks that lie under this one loses to it too.
    const under = said.filter((other) => overlap(other.look.placed, look.placed)).flatMap(({ plans }) => plans);
    const weight = heaviest(under, before.weight);
    const important = new Set([...(before.important ?? []), ...importantOf(under)]);
    const plans = session.rulesOf.planned(worn.look, {
      onPage: true,
      only: (part) => wanted.get(floorKey(worn, part)),
      over: () => ({ ...before, weight, important }),
    });
    said.push({ look, plans });
    const css = printPlans(plans, `${worn.name}, on this page alone`);
    const fallback = css && session.rulesOf.fallback(worn.look, true);
    const isSaid = !fallback || fallback === session.rulesOf.fallback(worn.look);
    return isSaid ? css : `${css}\n${fallback}`;
  });
  return sheets.filter(Boolean).join('\n');
}

/** Properties that plans declare with !important. */
const importantOf = (plans: readonly Plan[]): string[] =>
  plans.flatMap(({ rules }) =>
    rules.flatMap(({ declarations }) =>
      declarations.flatMap(({ property, important }) => (important ? [property] : [])),
    ),
  );

const heaviest = (plans: readonly Plan[], least: Specificity): Specificity =>
  plans.reduce((weight, { baseSelector }) => heavierOf(weight, specificityOf(baseSelector)), least);

/** What rules of a page's sheet must win over: all that the sheet for every page says of the same elements. */
function beforePage(
  own: PageLooks,
  worn: WornLook,
  forAll: readonly LookPlans[],
  floors: Map<string, PartFloor>,
): PlannedBefore {
  let weight: Specificity = NO_SPECIFICITY;
  const important = new Set<string>();
  for (const other of forAll) {
    if (other.worn !== worn && !meet(own.looks, other.worn, worn)) continue;
    weight = heaviest(other.plans, weight);
    for (const plan of other.plans) {
      const floor = floors.get(floorKey(other.worn, plan.part.part.name));
      for (const property of floor?.important ?? []) important.add(property);
    }
  }
  return { weight, important, sameRows: true };
}

function proofOf(own: PageLooks, css: string): Omit<ForPage, 'pageCss'> {
  const withAll = own.dressed.page.pages.extended([asLastSheet(css)]);
  const failures: HandoverFailure[] = [];
  let compared = 0;
  let ranges = 0;
  own.looks.forEach(({ worn, session }, i) => {
    const inputs = session.rulesOf.provable(worn.look);
    const decided = new Set(own.looks.slice(i + 1).flatMap(decidedBy));
    const proof = proveOn(inputs, session.under, withAll, (element, pseudo, property) =>
      decided.has(`${subjectKey(element, pseudo)}|${property}`),
    );
    compared += proof.compared;
    ranges = Math.max(ranges, ...inputs.map(({ cases }) => cases.length));
    for (const { part, property, states, wanted, got, where } of proof.failures) {
      failures.push({ worn: worn.id, part, property, states, wanted, got, from: where.from, scheme: where.scheme });
    }
  });
  return { failures, compared, ranges };
}

/** What a look decides: elements and properties. */
function decidedBy({ worn, placed }: LookHere): string[] {
  const settings = activeSettings(worn.look);
  return placed.parts.flatMap(({ part, elements }) => {
    const properties = new Set(settings.flatMap((own) => (own.part === part.name ? [own.property] : [])));
    return elements.flatMap((element) =>
      [...properties].map((property) => `${subjectKey(element, part.pseudo)}|${property}`),
    );
  });
}

/** Elements of parts beyond those that are looked at one by one. */
const notCompared = ({ looks, dressed }: PageLooks): number =>
  looks.reduce((sum, { worn, placed }) => {
    const used = new Set(activeSettings(worn.look).map(({ part }) => part));
    return placed.parts
      .filter(({ part }) => used.has(part.name))
      .reduce(
        (more, part) => more + Math.max(0, selectAll(dressed.page.tree, part.selector).length - part.elements.length),
        sum,
      );
  }, 0);
