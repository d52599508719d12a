import type { FoundPart } from '../component/parts.js';
import type { Completes } from '../component/kind.js';
import { setBits, shownBits } from '../component/states.js';
import { DESKTOP, environmentKey, type Environment } from '../css/conditions/environment.js';
import {
  bareRules,
  planHandover,
  PlanMemory,
  settingsFor,
  type EnvironmentCase,
  type PlanInput,
  type SubjectGroup,
} from '../handover/index.js';
import type { Place, ViewportBounds } from '../look/conditions.js';
import { activeSettings, changeLook, type Look } from '../look/model.js';
import { once } from '../memo/once.js';
import { LookResolver } from '../look/resolve.js';
import type { Forcer } from '../component/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import { columnsOf, siteColumnsOf, type PartColumns } from '../parts/columns.js';
import type { ComponentParts } from '../parts/component-parts.js';
import { exceptionsKey, settingsByPart, statesUsed } from '../look/settings-by-part.js';
import { forgetOldest, KeptAnswers } from '../memo/kept-answers.js';
import { LookedPages, type LookedPage } from './looked-pages.js';
import type { EditingPlace } from '../look/editing-place.js';

/** Lists of columns that are kept. */
const MAX_KEPT = 600;

/** A component's page under looks: what rules these come to, what they decide, in which states. */
export class ComponentPlans {
  private readonly memories = new WeakMap<SubjectGroup[], Map<string, PlanMemory>>();
  private readonly columnSets = new Map<string, PartColumns[]>();
  private readonly looked: LookedPages;
  private readonly kept = new KeptAnswers();
  /** Which look pages wear. */
  private readonly worn = new WeakMap<StagedPages, { readonly look: Look; readonly editing: EditingPlace }>();

  constructor(
    private readonly site: StagedPages,
    private readonly parts: ComponentParts,
    private readonly forcer: Forcer,
    private readonly bounds: ViewportBounds,
    private readonly completes?: Completes,
  ) {
    this.looked = new LookedPages(
      site,
      parts.all.map(({ part }) => part.name),
    );
  }

  /** A look with all that its kind says it brings with it; the same one as long as the look is. */
  readonly completed = once((look: Look): Look => {
    const settings = this.completes ? activeSettings(look) : [];
    if (!this.completes || !settings.length) return look;
    const always = settings.filter(
      ({ when: { states, ...more }, exception }) =>
        exception === undefined && !states.length && !Object.keys(more).length,
    );
    const said = {
      parts: new Set(settings.map(({ part }) => part)),
      sets: (part: string, property: string) => always.some((own) => own.part === part && own.property === property),
    };
    const added = this.completes(said, (name) => {
      const [subject] = this.parts.all.find(({ part }) => part.name === name)?.subjects ?? [];
      return subject && this.forcer.see(this.site, DESKTOP, subject, 0).style;
    });
    return added.length
      ? changeLook(
          look,
          added.map((own) => ({ ...own, when: { states: [] } })),
        )
      : look;
  });

  placeFor(place: EditingPlace = {}): Place {
    return { page: place.page, bounds: this.bounds };
  }

  /** What the rules of a part are planned from. */
  inputFor(
    part: FoundPart,
    look: Look,
    cases: readonly EnvironmentCase[],
    place: Place,
    groups: readonly SubjectGroup[],
  ): PlanInput {
    return {
      pages: this.site,
      part,
      groups,
      settings: activeSettings(this.completed(look)).filter((setting) => setting.part === part.part.name),
      exceptions: this.parts.exceptionsOf(part, look),
      place,
      cases,
      forcer: this.forcer,
    };
  }

  /** The page with the look on it, in one environment; what of it has not changed is kept. */
  styled(look: Look, environment: Environment, editing: EditingPlace = {}): LookedPage {
    const place = this.placeFor(editing);
    const only: EnvironmentCase = {
      environment,
      from: 0,
      to: Infinity,
      scheme: environment.scheme,
      reduced: environment.reducedMotion,
    };
    const looked = this.looked.under(this.completed(look), environment, place.page, (name) => {
      const part = this.parts.named(name);
      const groups = this.parts.groupsOf(part, look, environment);
      const memory = this.memoryFor(groups, environment, place, exceptionsKey(look.exceptions));
      return bareRules(planHandover({ ...this.inputFor(part, look, [only], place, groups), memory }));
    });
    this.worn.set(looked.pages, { look, editing });
    return looked;
  }

  /** What those see who ask for less motion of what others see as these pages. */
  inLessMotion(pages: StagedPages, environment: Environment): StagedPages {
    const { look, editing } = this.worn.get(pages) ?? {};
    return look ? this.styled(look, { ...environment, reducedMotion: true }, editing).pages : pages;
  }

  private memoryFor(groups: SubjectGroup[], environment: Environment, place: Place, exceptions: string): PlanMemory {
    let known = this.memories.get(groups);
    if (!known) this.memories.set(groups, (known = new Map()));
    const key = `${environmentKey(environment)}|${place.page ?? ''}|${exceptions}`;
    let memory = known.get(key);
    if (!memory) known.set(key, (memory = new PlanMemory()));
    return memory;
  }

  /** The parts on the page with the columns in which they are seen. */
  columnsFor(look: Look, environment: Environment, added: readonly string[]): PartColumns[] {
    const key = `${environmentKey(environment)}|${statesUsed(look)}|${added.join()}`;
    let columns = this.columnSets.get(key);
    if (!columns) {
      const where = environmentKey(environment);
      const site = this.kept.unlessKept('columns', where, () =>
        this.parts.all.map((part) => siteColumnsOf(part, this.site, environment)),
      );
      const found = site.map((item) => columnsOf(item, look, added));
      // The same columns are the same list, so that what was worked out for them is found again.
      const names = found.map((item) => item.columns.map(({ name }) => name).join()).join('|');
      columns = this.kept.unlessKept('column list', `${where}|${names}`, () => found);
      this.columnSets.set(key, columns);
      forgetOldest(this.columnSets, MAX_KEPT);
    }
    return columns;
  }

  /** The resolver of a part, kept while nothing that it depends on has changed. */
  resolverFor({ part, columns }: PartColumns, look: Look, environment: Environment, place: EditingPlace): LookResolver {
    const { name } = part.part;
    const subject = this.parts.subjectFor(part, look, place);
    const extra = columns.reduce((bits, column) => bits | shownBits(column) | setBits(column), 0);
    const { settings = [], text = '' } = settingsByPart(this.completed(look)).get(name) ?? {};
    const where = [place.page, place.viewport, place.scheme, place.motion, place.exception].join('/');
    const key = [
      environmentKey(environment),
      where,
      exceptionsKey(look.exceptions),
      subject.element.order,
      extra,
      text,
    ].join('|');
    return this.kept.unlessKept(`resolver ${name}`, key, () => {
      const own = settingsFor({ settings, exceptions: this.parts.exceptionsOf(part, look) }, subject.element);
      return new LookResolver(this.site, environment, subject, own, this.placeFor(place), this.forcer, extra);
    });
  }
}
