import type { Environment } from '../css/environment.js';
import type { CascadeSheet } from '../css/rules.js';
import { CARRIED, type StateBits } from '../css/selector/states.js';
import { asLastSheet } from '../handover/index.js';
import type { Look, Setting } from '../look/model.js';
import { markStates } from '../page/rewrite-sheet.js';
import type { StagedPages } from '../page/staged-pages.js';
import { environmentKey, exceptionsKey, forgetOldest, settingsByPart, settingText } from './kept.js';
import { frameCss, type FrameRule, type FrameRules } from './state-sheet.js';

/** The CSS of one part's look in one environment, read once. */
export interface PlannedPart {
  readonly part: string;
  /** Another for each plan, so that what was worked out from one is told from the next. */
  readonly id: number;
  readonly css: string;
  /** With markers in place of states. */
  readonly marked: readonly FrameRule[];
  readonly sheet: CascadeSheet;
  /** Numbers of what it says in states, by the states that are forced. */
  readonly said: Map<StateBits, number>;
}

/** The page with a look on it. */
export interface LookedPage {
  readonly pages: StagedPages;
  readonly frames: readonly FrameRules[];
  /** The plans in force, by the parts' names. */
  readonly plans: ReadonlyMap<string, PlannedPart>;
}

/** Rules of one part's settings in an environment, with the states that each is about. */
export type PlanPart = (part: string, settings: readonly Setting[]) => readonly { states: StateBits; css: string }[];

/** Plans that are kept; beyond it those that were used least lately are made again. */
const MAX_PLANS = 600;
/** Pages with a look on them that are kept, with all styles that were worked out: a try and what it is compared with. */
const MAX_PAGES = 24;
/** Texts of a part's rules in a state that are told apart. */
const MAX_TOLD = 200;
/** Rules that are kept with markers in place of states. */
const MAX_MARKS = 2000;

/** A page under the looks that are tried on it; an edit makes no more anew than it changes. */
export class LookedPages {
  private readonly planned = new Map<string, PlannedPart>();
  /** The look that was asked for last in each environment. */
  private readonly recent = new Map<string, { look: Look; page: LookedPage }>();
  private readonly byPlans = new Map<string, LookedPage>();
  private readonly told = new Map<string, Map<string, number>>();
  private readonly marks = new Map<string, string>();
  private plansMade = 0;

  /** @param parts names of the parts, in the order of their rules */
  constructor(
    private readonly site: StagedPages,
    private readonly parts: readonly string[],
  ) {}

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
      const settings = byPart.get(part);
      if (!settings?.length) return [];
      const key = `${part}|${where}|${exceptions}|${settings.map(settingText).join()}`;
      return [this.plannedUnder(key, part, () => plan(part, settings))];
    });
    const ids = `${where}|${used.map(({ id }) => id).join()}`;
    let page = this.byPlans.get(ids);
    if (!page) {
      page = {
        pages: this.site.extended(used.filter(({ css }) => css).map(({ sheet }) => sheet)),
        frames: used.map(({ id, marked }) => ({ id, rules: marked })),
        plans: new Map(used.map((item) => [item.part, item])),
      };
      this.byPlans.set(ids, page);
      forgetOldest(this.byPlans, MAX_PAGES);
    }
    this.recent.set(where, { look, page });
    return page;
  }

  private plannedUnder(key: string, part: string, plan: () => ReturnType<PlanPart>): PlannedPart {
    const known = this.planned.get(key);
    if (known) {
      // Put in again, so that it counts as used.
      this.planned.delete(key);
      this.planned.set(key, known);
      return known;
    }
    const rules = plan();
    const css = rules.map((rule) => rule.css).join('\n');
    const planned: PlannedPart = {
      part,
      id: ++this.plansMade,
      css,
      marked: rules.map((rule) => ({ states: rule.states & ~CARRIED, css: this.marked(rule.css) })),
      sheet: asLastSheet(css),
      said: new Map(),
    };
    this.planned.set(key, planned);
    forgetOldest(this.planned, MAX_PLANS);
    return planned;
  }

  /** An edit changes few rules, so those that were marked before are not read again. */
  private marked(css: string): string {
    let text = this.marks.get(css);
    if (text === undefined) {
      if (this.marks.size >= MAX_MARKS) this.marks.clear();
      this.marks.set(css, (text = markStates(css)));
    }
    return text;
  }

  /**
   * What the look says about parts while states are forced, as numbers: they are the same as long as that is, so an
   * edit of one state leaves the others alone.
   *
   * @param forced states that are forced somewhere; rules of others have no say
   */
  saidOf({ plans }: LookedPage, parts: readonly string[], forced: StateBits): readonly number[] {
    return parts.map((part) => {
      const plan = plans.get(part);
      if (!plan) return 0;
      let id = plan.said.get(forced);
      if (id === undefined) plan.said.set(forced, (id = this.toldAs(plan, forced)));
      return id;
    });
  }

  /** The number that what a plan says in a state had before, if it says the same. */
  private toldAs(plan: PlannedPart, forced: StateBits): number {
    const css = frameCss({ id: plan.id, rules: plan.marked }, forced);
    const key = `${plan.part} ${forced}`;
    let known = this.told.get(key);
    if (!known) this.told.set(key, (known = new Map()));
    let id = known.get(css);
    if (id === undefined) {
      known.set(css, (id = ++this.plansMade));
      forgetOldest(known, MAX_TOLD);
    }
    return id;
  }
}
