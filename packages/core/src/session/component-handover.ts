import type { FoundPart } from '../component/parts.js';
import type { Kind } from '../component/kind.js';
import { DESKTOP } from '../css/environment.js';
import {
  environmentCases,
  fontFaces,
  fontsOf,
  planHandover,
  printBare,
  printPlans,
  prove,
  standardScrollbar,
  type EnvironmentCase,
  type FontFile,
  type Plan,
  type PlanInput,
  type Proof,
} from '../handover/index.js';
import type { Place, ViewportBounds } from '../look/conditions.js';
import { activeSettings, type Look, type Setting } from '../look/model.js';
import type { Forcer } from '../look/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ComponentParts } from './component-parts.js';
import type { ComponentPlans } from './component-plans.js';
import { eachAlone } from './groups.js';
import type { PageSession } from './page-session.js';

export interface HandoverResult {
  /** For every page. */
  readonly css: string;
  /** For this page alone, to stand after the other; empty when the look says nothing about it. */
  readonly pageCss: string;
  readonly plans: readonly Plan[];
  readonly proof: Proof;
  readonly cases: number;
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
    const used = new Set(activeSettings(look).map(({ part }) => part));
    return this.source.parts.all.filter(({ part }) => used.has(part.name));
  }

  /** The environments in which a look is planned and proven on this page. */
  private casesFor(look: Look): readonly EnvironmentCase[] {
    const { page, bounds } = this.source;
    const settings = activeSettings(look);
    const widths = [...new Set(settings.flatMap(({ when }) => (when.viewport ? [bounds[when.viewport]] : [])))];
    const scheme = settings.some(({ when }) => when.scheme !== undefined);
    if (!widths.length && !scheme) return page.environmentCases;
    return environmentCases(page.sheets, DESKTOP, { widths, scheme });
  }

  /**
   * The CSS that gives the look on the site, and its proof in every state and environment.
   *
   * @param fonts files that the site has for families; the rules of those that the look names stand first
   */
  handover(look: Look, name: string, fonts: readonly FontFile[]): HandoverResult {
    const { pageId, bounds, plans: planner, kind, site } = this.source;
    const cases = this.casesFor(look);
    const used = this.partsUsed(look);
    const plan = (place: Place, more: (settings: readonly Setting[]) => Partial<PlanInput> | undefined) =>
      used.flatMap((part) => {
        const input = planner.inputFor(part, look, cases, place, eachAlone(part));
        const extra = more(input.settings);
        return extra ? [planHandover({ ...input, ...extra })] : [];
      });
    const plans = plan({ bounds }, () => ({}));
    let css = printPlans(plans, name);
    if (kind.name === 'scrollbar' && css) css += `\n${this.standardBar(look)}`;
    const faces = fontFaces(fontsOf(look, fonts));
    if (faces && css) css = `${faces}\n\n${css}`;
    const pagePlans =
      pageId === undefined
        ? []
        : plan({ bounds, page: pageId }, (settings) => {
            const only = new Set(settings.filter(({ when }) => when.page === pageId).map(({ property }) => property));
            return only.size ? { only, over: plans } : undefined;
          });
    const pageCss = printPlans(pagePlans, `${name}, on this page alone`);
    const place: Place = { bounds, page: pageId };
    const proven = used.map((part) => planner.inputFor(part, look, cases, place, []));
    const proof = prove(proven, pageCss ? `${css}\n${pageCss}` : css, site);
    return { css, pageCss, plans: [...plans, ...pagePlans], proof, cases: cases.length };
  }

  private standardBar(look: Look): string {
    const { parts, plans, forcer, selector } = this.source;
    const { pages } = plans.styled(look, DESKTOP);
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
