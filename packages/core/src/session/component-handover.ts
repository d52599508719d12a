import type { FoundPart } from '../component/parts.js';
import type { Kind } from '../component/kind.js';
import { DESKTOP } from '../css/conditions/environment.js';
import { specificityOf } from '../css/selector/weight.js';
import {
  environmentCases,
  fontFaces,
  fontsOf,
  planHandover,
  printBare,
  printPlans,
  prove,
  standardScrollbar,
  tellMotionApart,
  type EnvironmentCase,
  type FontFile,
  type Plan,
  type PlanInput,
  type PlannedBefore,
  type Proof,
} from '../handover/index.js';
import type { Place, ViewportBounds } from '../look/conditions.js';
import { isMotion } from '../look/less-motion.js';
import { activeSettings, type Look } from '../look/model.js';
import type { Forcer } from '../component/subject.js';
import { once } from '../memo/once.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ComponentParts } from '../parts/component-parts.js';
import type { ComponentPlans } from '../incremental/component-plans.js';
import { eachAlone } from '../parts/groups.js';
import type { PageSession } from '../parts/page-session.js';

export interface HandoverResult {
  /** For every page. */
  readonly css: string;
  /** For this page alone, to stand after the other; empty when the look says nothing about it. */
  readonly pageCss: string;
  readonly plans: readonly Plan[];
  readonly proof: Proof;
  readonly cases: number;
}

/** Which rules of a look are planned. */
export interface PlanRequest {
  /** True where what the look says about this page alone holds too. */
  readonly onPage?: boolean;
  /** The properties that are wanted of a part; all that the look touches when absent. */
  readonly only?: (part: string) => ReadonlySet<string> | undefined;
  /** What stands before the rules of a part. */
  readonly over?: (part: string) => PlannedBefore | undefined;
}

/** What a component's look is handed over from. */
export interface HandoverSource {
  readonly page: PageSession;
  readonly site: StagedPages;
  readonly kind: Kind;
  readonly selector: string;
  readonly parts: ComponentParts;
  readonly plans: ComponentPlans;
  readonly forcer: Forcer;
  readonly bounds: ViewportBounds;
  /** The page, as settings name it. */
  readonly pageId: string | undefined;
}

/** The CSS that gives a component its look on its site. */
export class ComponentHandover {
  constructor(private readonly source: HandoverSource) {}

  /** The look's CSS for every width, without its proof; what other components are resolved over. */
  css(look: Look): string {
    const { parts, plans, bounds, pageId } = this.source;
    const cases = this.casesFor(look);
    const place: Place = { bounds, page: pageId };
    return printBare(
      this.partsUsed(look).map((part) =>
        planHandover(plans.inputFor(part, look, cases, place, parts.groupsOf(part, look, DESKTOP))),
      ),
    );
  }

  /** Parts about which a look says something. */
  private partsUsed(look: Look): FoundPart[] {
    const used = new Set(activeSettings(this.source.plans.completed(look)).map(({ part }) => part));
    return this.source.parts.all.filter(({ part }) => used.has(part.name));
  }

  /** The environments in which a look is planned and proven on this page. */
  private readonly casesFor = once((look: Look): readonly EnvironmentCase[] => {
    const { page, bounds } = this.source;
    const settings = activeSettings(look);
    const widths = [...new Set(settings.flatMap(({ when }) => (when.viewport ? [bounds[when.viewport]] : [])))];
    const scheme = settings.some(({ when }) => when.scheme !== undefined);
    // What a look says of motion stands beside what the page says of it for those who ask for less.
    const moves = settings.some(({ property }) => isMotion(property)) && tellMotionApart(page.sheets);
    const motion = moves || settings.some(({ when }) => when.motion !== undefined);
    if (!widths.length && !scheme && !motion) return page.environmentCases;
    return environmentCases(page.sheets, DESKTOP, { widths, scheme, motion });
  });

  /** The rules that give the parts their look in every environment that the page, or the look, tells apart. */
  planned(look: Look, { onPage = false, only, over }: PlanRequest = {}): Plan[] {
    const { pageId, bounds, plans } = this.source;
    const cases = this.casesFor(look);
    const place: Place = onPage ? { bounds, page: pageId } : { bounds };
    return this.partsUsed(look).flatMap((part) => {
      const { name } = part.part;
      const properties = only?.(name);
      if (only && !properties?.size) return [];
      const input = plans.inputFor(part, look, cases, place, eachAlone(part));
      return [planHandover({ ...input, only: properties, over: over?.(name) })];
    });
  }

  /** What is to be proven of the look on this page, part by part. */
  provable(look: Look): PlanInput[] {
    const { pageId, bounds, plans } = this.source;
    const cases = this.casesFor(look);
    return this.partsUsed(look).map((part) => plans.inputFor(part, look, cases, { bounds, page: pageId }, []));
  }

  /** What a browser that does not know the kind's own pseudo-elements is told besides; empty for most kinds. */
  fallback(look: Look, onPage = false): string {
    return this.source.kind.besidePage ? this.standardBar(look, onPage) : '';
  }

  /**
   * The CSS that gives the look on the site, and its proof in every state and environment.
   *
   * @param fonts files that the site has for families; the rules of those that the look names stand first
   */
  handover(look: Look, name: string, fonts: readonly FontFile[]): HandoverResult {
    const plans = this.planned(look);
    let css = printPlans(plans, name);
    const fallback = css && this.fallback(look);
    if (fallback) css += `\n${fallback}`;
    const faces = fontFaces(fontsOf(look, fonts));
    if (faces && css) css = `${faces}\n\n${css}`;
    const own = this.propertiesOfPage(look);
    const pagePlans = own.size
      ? this.planned(look, {
          onPage: true,
          only: (part) => own.get(part),
          over: (part) => {
            const before = plans.find((plan) => plan.part.part.name === part);
            return before && { weight: specificityOf(before.baseSelector), sameRows: true };
          },
        })
      : [];
    let pageCss = printPlans(pagePlans, `${name}, on this page alone`);
    const pageFallback = pageCss && this.fallback(look, true);
    if (pageFallback && pageFallback !== fallback) pageCss += `\n${pageFallback}`;
    const proof = prove(this.provable(look), pageCss ? `${css}\n${pageCss}` : css, this.source.site);
    return { css, pageCss, plans: [...plans, ...pagePlans], proof, cases: this.casesFor(look).length };
  }

  /** Properties that a look sets for this page alone, by part. */
  propertiesOfPage(look: Look): ReadonlyMap<string, ReadonlySet<string>> {
    const { pageId } = this.source;
    const found = new Map<string, Set<string>>();
    for (const { part, property, when } of activeSettings(look)) {
      if (when.page === undefined || when.page !== pageId) continue;
      const own = found.get(part);
      if (own) own.add(property);
      else found.set(part, new Set([property]));
    }
    return found;
  }

  private standardBar(look: Look, onPage: boolean): string {
    const { parts, plans, forcer, selector, pageId } = this.source;
    const { pages } = plans.styled(look, DESKTOP, onPage ? { page: pageId } : {});
    const text = (part: string, property: string) => {
      const [subject] = parts.all.find((item) => item.part.name === part)?.subjects ?? [];
      return subject && forcer.see(pages, DESKTOP, subject, 0).style.text(property);
    };
    return standardScrollbar({
      selector,
      thumb: text('thumb', 'background-color'),
      track: text('track', 'background-color'),
      width: text('bar', 'width'),
    });
  }
}
