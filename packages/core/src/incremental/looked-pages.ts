import { environmentKey, type Environment } from '../css/conditions/environment.js';
import type { BareRule } from '../handover/index.js';
import type { Look, Setting } from '../look/model.js';
import type { StagedPages } from '../page/staged-pages.js';
import { exceptionsKey, settingsByPart } from '../look/settings-by-part.js';
import { forgetOldest } from '../memo/kept-answers.js';
import { lookChange, type RulesByPart } from './look-changes.js';
import { LookRules, sheetOf, type LookRule } from './look-rules.js';
import type { FrameRules } from './frame-rules.js';
import type { ViewSet } from './view-set.js';

/** The rules of one part's look in one environment. */
interface PlannedPart {
  readonly part: string;
  /** Another for each plan, so that what was worked out from one is told from the next. */
  readonly id: number;
  readonly rules: readonly LookRule[];
}

/** The page with a look on it. */
export interface LookedPage {
  readonly pages: StagedPages;
  readonly frames: readonly FrameRules[];
  /** Numbers of the plans in force, by the parts' names. */
  readonly planOf: (part: string) => number;
  /**
   * What the look says in a set of views, as a number: it is the same as long as that is, so an edit of one state leaves
   * the others alone.
   */
  readonly saidIn: (views: () => ViewSet) => number;
  /** What it was made from; nothing where it was made in full. */
  readonly from: Origin | undefined;
}

/** A page with another look on it, and how far this one's rules are others. */
export interface Origin {
  readonly page: LookedPage;
  /** The same for changes of rules with the same selectors. */
  readonly selectors: string;
  readonly differsIn: (views: ViewSet) => boolean;
  /** The rules that are others there, as text. */
  readonly changedIn: (views: ViewSet) => string;
}

/** Rules of one part's settings in an environment, with the states that each is about. */
export type PlanPart = (part: string, settings: readonly Setting[]) => readonly BareRule[];

/** Plans that are kept; beyond it those that were used least lately are made again. */
const MAX_PLANS = 600;
/** Pages with a look on them that are kept, with all styles that were worked out: a try and what it is compared with. */
const MAX_PAGES = 24;
/** Texts of what a look says in a set of views that are told apart. */
const MAX_TOLD = 40_000;
/** Rules in which two looks may differ for one's page to be made from the other's. */
const MAX_CHANGED = 60;
/** The same from the page without a look: every edit has all of these rules matched again. */
const MAX_FROM_NOTHING = 10;

/** A look whose page was made in full, which the pages of looks like it are made from. */
interface Root {
  readonly rules: RulesByPart;
  readonly page: LookedPage;
}

/** A page under the looks that are tried on it; an edit makes no more anew than it changes. */
export class LookedPages {
  private readonly planned = new Map<string, PlannedPart>();
  /** The look that was asked for last in each environment. */
  private readonly recent = new Map<string, { look: Look; page: LookedPage }>();
  private readonly byPlans = new Map<string, LookedPage>();
  private readonly roots = new Map<string, Root>();
  private readonly told = new Map<string, number>();
  private readonly rules: LookRules;
  private numbers = 0;

  /** @param parts names of the parts, in the order of their rules */
  constructor(
    private readonly site: StagedPages,
    private readonly parts: readonly string[],
  ) {
    this.rules = new LookRules(site.tree);
  }

  /**
   * The page with a look on it.
   *
   * @param onPage the page whose own settings hold too
   * @param plan called for the parts whose settings were not planned before
   */
  under(look: Look, environment: Environment, onPage: string | undefined, plan: PlanPart): LookedPage {
    const where = `${environmentKey(environment)}|${onPage ?? ''}`;
    const recent = this.recent.get(where);
    if (recent?.look === look) return recent.page;
    const byPart = settingsByPart(look);
    const exceptions = exceptionsKey(look.exceptions);
    const used = this.parts.flatMap((part): PlannedPart[] => {
      const own = byPart.get(part);
      if (!own) return [];
      const key = `${part}|${where}|${exceptions}|${this.numberIn(this.texts, own.text, MAX_PLANS)}`;
      return [this.plannedUnder(key, part, () => plan(part, own.settings))];
    });
    const ids = `${where}|${used.map(({ id }) => id).join()}`;
    let page = this.byPlans.get(ids);
    if (!page) {
      this.byPlans.set(ids, (page = this.pageOf(where, used)));
      forgetOldest(this.byPlans, MAX_PAGES);
    }
    this.recent.set(where, { look, page });
    return page;
  }

  private readonly texts = new Map<string, number>();

  /** A short name for a long text: the number that it had before, if it is kept. */
  private numberIn(known: Map<string, number>, text: string, most: number): number {
    let number = known.get(text);
    if (number === undefined) {
      known.set(text, (number = ++this.numbers));
      forgetOldest(known, most);
    }
    return number;
  }

  private plannedUnder(key: string, part: string, plan: () => ReturnType<PlanPart>): PlannedPart {
    const known = this.planned.get(key);
    if (known) {
      // Put in again, so that it counts as used.
      this.planned.delete(key);
      this.planned.set(key, known);
      return known;
    }
    const rules = plan().map((rule) => this.rules.read(part, rule));
    const planned: PlannedPart = { part, id: ++this.numbers, rules };
    this.planned.set(key, planned);
    forgetOldest(this.planned, MAX_PLANS);
    return planned;
  }

  /** A page is made from that of a look that is much the same, or else in full. */
  private pageOf(where: string, plans: readonly PlannedPart[]): LookedPage {
    // A look that says nothing has the site's own page: nothing is worked out again for it.
    if (!plans.some((plan) => plan.rules.length)) return this.looked(this.site, plans, undefined);
    const rules: RulesByPart = new Map(plans.map((plan) => [plan.part, plan.rules]));
    const root = this.roots.get(where) ?? this.withoutLook;
    const change = lookChange(this.parts, root.rules, rules);
    if (change.bySelector.length <= (root === this.blank ? MAX_FROM_NOTHING : MAX_CHANGED)) {
      return this.looked(root.page.pages.revised(change.revision), plans, {
        page: root.page,
        selectors: change.bySelector.map(({ selectorId }) => selectorId).join(),
        differsIn: (views) => change.bySelector.some((rule) => views.isTouchedBy(rule)),
        changedIn: (views) => change.rules.flatMap((rule) => (views.isTouchedBy(rule) ? [rule.id] : [])).join(),
      });
    }
    const page = this.looked(this.site.extended([sheetOf(plans.flatMap((plan) => plan.rules))]), plans, undefined);
    this.roots.set(where, { rules, page });
    return page;
  }

  /** What the first looks are made from: all that was worked out of the page without one is taken over. */
  private get withoutLook(): Root {
    return (this.blank ??= {
      rules: new Map(),
      page: this.looked(this.site.extended([sheetOf([])]), [], undefined),
    });
  }

  private blank: Root | undefined;

  private looked(pages: StagedPages, plans: readonly PlannedPart[], from: Origin | undefined): LookedPage {
    const numbers = new Map(plans.map(({ part, id }) => [part, id]));
    const said = new Map<ViewSet, number>();
    return {
      pages,
      from,
      get frames() {
        return plans.map(({ id, rules }) => ({ id, rules: rules.map(({ marked }) => marked) }));
      },
      planOf: (part) => numbers.get(part) ?? 0,
      saidIn: (viewsOf) => {
        if (!from && !plans.some(({ rules }) => rules.length)) return this.toldAs('');
        const views = viewsOf();
        let number = said.get(views);
        if (number === undefined) {
          const before = from?.page.saidIn(() => views);
          const changed = from?.changedIn(views);
          number =
            before === undefined
              ? this.toldAs(plans.flatMap((plan) => saidBy(plan, views) || []).join(';'))
              : changed
                ? this.toldAs(`${before}:${changed}`)
                : before;
          said.set(views, number);
        }
        return number;
      },
    };
  }

  /** The number that something that is said had before, if it is the same. */
  private toldAs(text: string): number {
    return this.numberIn(this.told, text, MAX_TOLD);
  }
}

/** What a plan says in some views: its rules that match anything there. */
const saidBy = ({ rules }: PlannedPart, views: ViewSet): string =>
  rules.flatMap((rule) => (views.isTouchedBy(rule) ? [rule.id] : [])).join();
