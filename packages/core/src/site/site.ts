import { DEFAULT_BOUNDS, type ViewportBounds } from '../look/conditions.js';
import { settingText, type Look } from '../look/model.js';
import { resolveNames, type NamedThings } from '../look/resolve-names.js';
import { inCss, NO_PALETTE, type PaletteInCss, type SitePalette } from '../palette/swatch.js';
import type { ComponentSession } from '../session/component-session.js';
import { PageMeasures } from '../parts/page-measures.js';
import { PageSession, type PageSource } from '../parts/page-session.js';
import type { ComponentPlace } from '../parts/placed-component.js';
import { DressedPage } from './dressed-page.js';
import type { SitePage, WornLook } from './worn.js';

/** A page of a site with what it is made of. */
export interface SitePageSource extends SitePage {
  readonly source: PageSource;
}

export interface SiteOptions {
  readonly bounds?: ViewportBounds;
  /** Pages that stay parsed; the others are parsed again when they are asked for. */
  readonly mostParsed?: number;
  /**
   * True where whoever asks measures pages anew under looks that move boxes. Otherwise what was measured of a page as it
   * was brought does not count where a look may have moved something.
   */
  readonly isMeasuredAnew?: boolean;
}

/** What of a parsed page is kept while it is among those that were used lately. */
interface Parsed {
  readonly page: PageSession;
  readonly dressed: DressedPage;
}

const MOST_PARSED = 8;

/** A page that was not put in, or was taken out again. */
export class UnknownPageError extends Error {
  override readonly name = 'UnknownPageError';
}

/**
 * A site: its pages, what was measured of them, and the looks that its components wear. Whatever is told of a page with
 * its looks, for the screens, the server or the command, comes from here.
 *
 * @example
 * const site = new Site();
 * site.putPage({ version: 'v1', pageId: 'home', name: 'Home', source: { html, address, sheets } });
 * site.wear({ id: 'a', kind: 'button', name: 'Book', locator, look });
 * site.on('v1').component({ kind: 'button', locator }).sheet(look);
 */
export class Site {
  private readonly sources = new Map<string, SitePageSource>();
  private readonly parsed = new Map<string, Parsed>();
  private readonly measures = new Map<string, PageMeasures>();
  /** Looks as they were told, and as they are worn: with what they name in its place. */
  private told: readonly WornLook[] = [];
  private looks: readonly WornLook[] = [];
  private colours: SitePalette = NO_PALETTE;
  private inCss: PaletteInCss = inCss(NO_PALETTE, new Set());
  private finishes: NamedThings['finishes'] = new Map();
  private finishesText = '[]';
  private widths: ViewportBounds;
  private readonly mostParsed: number;

  private readonly isMeasuredAnew: boolean;

  constructor({ bounds = DEFAULT_BOUNDS, mostParsed = MOST_PARSED, isMeasuredAnew = false }: SiteOptions = {}) {
    this.isMeasuredAnew = isMeasuredAnew;
    this.widths = bounds;
    this.mostParsed = mostParsed;
  }

  /** The widths up to which settings of the medium and the narrow viewport hold. */
  get bounds(): ViewportBounds {
    return this.widths;
  }

  setBounds(bounds: ViewportBounds): void {
    if (bounds.medium === this.widths.medium && bounds.narrow === this.widths.narrow) return;
    this.widths = bounds;
    // Every plan has asked for them.
    this.parsed.clear();
  }

  /** The pages in the order in which they were put in. */
  get pages(): readonly SitePage[] {
    return [...this.sources.values()];
  }

  /** The looks in the order in which they were made; another list after each change. */
  get worn(): readonly WornLook[] {
    return this.looks;
  }

  /** Puts a page in, or takes note of what it is called now; what was put in last stands last. */
  putPage(page: SitePageSource): void {
    this.sources.delete(page.version);
    this.sources.set(page.version, page);
    // Names that it has are not those of swatches.
    if (this.colours.handedOverAs === 'properties') this.rename();
  }

  removePage(version: string): void {
    this.sources.delete(version);
    this.parsed.delete(version);
    this.measures.delete(version);
  }

  /** A page where it is parsed now; nothing is parsed for the question. */
  held(version: string): PageSession | undefined {
    return this.parsed.get(version)?.page;
  }

  /** A component wears a look from now on; one that is known already wears this instead of its own. */
  wear(worn: WornLook): void {
    const at = this.told.findIndex(({ id }) => id === worn.id);
    this.tell(at < 0 ? [...this.told, worn] : this.told.map((own, i) => (i === at ? worn : own)));
  }

  /** A component wears nothing any more. */
  takeOff(id: string): void {
    if (this.told.some((worn) => worn.id === id)) this.tell(this.told.filter((worn) => worn.id !== id));
  }

  /** Takes off what other components wear, and puts the looks into this order. */
  keepOnly(ids: readonly string[]): void {
    const byId = new Map(this.told.map((worn) => [worn.id, worn]));
    const looks = ids.flatMap((id) => byId.get(id) ?? []);
    if (looks.length !== this.told.length || looks.some((worn, i) => worn !== this.told[i])) this.tell(looks);
  }

  /** The colours that looks of the site may name. */
  setPalette(palette: SitePalette): void {
    if (JSON.stringify(palette) === JSON.stringify(this.colours)) return;
    this.colours = palette;
    this.rename();
  }

  /** Custom properties that values of the looks name, with their colours. */
  get properties(): ReadonlyMap<string, string> {
    return this.inCss.properties;
  }

  /** Looks that others of the site may follow. */
  setFinishes(finishes: readonly SiteFinish[]): void {
    const text = JSON.stringify(finishes);
    if (text === this.finishesText) return;
    this.finishesText = text;
    this.finishes = byId(finishes);
    this.rename();
  }

  private rename(): void {
    const isByName = this.colours.handedOverAs === 'properties';
    this.inCss = inCss(this.colours, isByName ? this.customProperties() : new Set());
    this.resolved = new WeakMap();
    this.tell(this.told);
  }

  /** Custom properties that the site's own sheets and pages speak of. */
  private customProperties(): ReadonlySet<string> {
    const texts = [...this.sources.values()].flatMap(({ source }) => [
      source.html,
      ...source.sheets.map(({ text }) => text),
    ]);
    return new Set(texts.flatMap((text) => text.match(/--[a-z][\w-]*/gi) ?? []));
  }

  /** A look with what it names in its place; the same for the same look. */
  resolve(look: Look): Look {
    let own = this.resolved.get(look);
    if (!own) this.resolved.set(look, (own = resolveNames(look, this.named).look));
    return own;
  }

  /** What a look names that is not there any more: swatches as the values write them, and the id of its finish. */
  missing(look: Look): readonly string[] {
    return resolveNames(look, this.named).missing;
  }

  private resolved = new WeakMap<Look, Look>();

  private get named(): NamedThings {
    return { swatches: this.inCss.swatches, finishes: this.finishes };
  }

  private tell(told: readonly WornLook[]): void {
    this.told = told;
    this.looks = told.map((worn) => {
      const look = this.resolve(worn.look);
      return look === worn.look ? worn : { ...worn, look };
    });
  }

  /** Forgets what can be worked out again. */
  putAway(): void {
    this.parsed.clear();
  }

  /** What was measured of a page; kept while the page is put away and parsed again. */
  measuresOf(version: string): PageMeasures {
    let own = this.measures.get(version);
    if (!own) this.measures.set(version, (own = new PageMeasures()));
    return own;
  }

  /**
   * A page with the looks that are worn on it; parsed again where it has been put away since.
   *
   * @throws UnknownPageError for a page that was not put in
   */
  on(version: string): DressedPage {
    return this.parsedPage(version).dressed;
  }

  /** A page as it was brought. */
  page(version: string): PageSession {
    return this.parsedPage(version).page;
  }

  /** A component of a page over the looks of others; see `DressedPage`. */
  component(version: string, place: ComponentPlace): ComponentSession {
    return this.on(version).component(place);
  }

  private parsedPage(version: string): Parsed {
    const kept = this.parsed.get(version);
    const own = kept ?? this.parse(version);
    this.parsed.delete(version);
    this.parsed.set(version, own);
    if (this.parsed.size > this.mostParsed) this.parsed.delete(this.parsed.keys().next().value!);
    return own;
  }

  private parse(version: string): Parsed {
    const known = this.sources.get(version);
    if (!known) throw new UnknownPageError('This page is not open yet.');
    const page = new PageSession(known.source, undefined, this.measuresOf(version));
    return { page, dressed: this.dress(page, known.pageId, () => this.looks) };
  }

  private dress(page: PageSession, pageId: string, looks: () => readonly WornLook[]): DressedPage {
    return new DressedPage(page, pageId, () => this.widths, looks, this.isMeasuredAnew);
  }

  /** The same pages under some of the looks alone. */
  only(ids: ReadonlySet<string>): SiteUnder {
    return this.under(this.looks.filter(({ id }) => ids.has(id)));
  }

  /** The same pages under the looks that they wear, with another palette. */
  withPalette(palette: SitePalette): SiteUnder {
    const isByName = palette.handedOverAs === 'properties';
    const { swatches } = inCss(palette, isByName ? this.customProperties() : new Set());
    return this.naming({ swatches, finishes: this.finishes });
  }

  /** The same pages under the looks that they wear, with other finishes. */
  withFinishes(finishes: readonly SiteFinish[]): SiteUnder {
    return this.naming({ ...this.named, finishes: byId(finishes) });
  }

  private naming(named: NamedThings): SiteUnder {
    return this.under(
      this.told.map((worn, i) => {
        const { look } = resolveNames(worn.look, named);
        // A look that names none of what is otherwise is the same.
        const now = this.looks[i]!;
        return isSameLook(look, now.look) ? now : { ...worn, look };
      }),
    );
  }

  /** Some of the pages, in this order: an owner's site has others where one was brought anew. */
  at(versions: readonly string[]): WearableSite {
    const pages = versions.flatMap((wanted) => this.pages.find(({ version }) => version === wanted) ?? []);
    return {
      ...this.under(this.looks),
      pages,
      under: (looks) => ({ ...this.under(looks), pages }),
      withPalette: (palette) => ({ ...this.withPalette(palette), pages }),
      withFinishes: (finishes) => ({ ...this.withFinishes(finishes), pages }),
    };
  }

  /** The same pages under other looks; nothing that was worked out of the pages is worked out again. */
  under(looks: readonly WornLook[]): SiteUnder {
    const isAll = looks.length === this.looks.length && looks.every((own, i) => own === this.looks[i]);
    const dressed = new Map<PageSession, DressedPage>();
    return {
      pages: this.pages,
      worn: looks,
      properties: this.properties,
      on: (version) => {
        if (isAll) return this.on(version);
        const page = this.page(version);
        let own = dressed.get(page);
        const { pageId } = this.sources.get(version)!;
        if (!own) dressed.set(page, (own = this.dress(page, pageId, () => looks)));
        return own;
      },
    };
  }
}

const isSameLook = (a: Look, b: Look): boolean =>
  a === b ||
  (a.settings.length === b.settings.length &&
    a.settings.every((own, i) => settingText(own) === settingText(b.settings[i]!)));

/** A look that others may follow. */
export interface SiteFinish {
  readonly id: string;
  readonly look: Look;
}

const byId = (finishes: readonly SiteFinish[]): ReadonlyMap<string, Look> =>
  new Map(finishes.map(({ id, look }) => [id, look]));

/** A site that can be seen under other looks than those that it wears. */
export interface WearableSite extends SiteUnder {
  readonly under: (looks: readonly WornLook[]) => SiteUnder;
  readonly withPalette: (palette: SitePalette) => SiteUnder;
  readonly withFinishes: (finishes: readonly SiteFinish[]) => SiteUnder;
}

/** A site as far as a handover, or a list of checks, asks for it. */
export interface SiteUnder {
  readonly pages: readonly SitePage[];
  readonly worn: readonly WornLook[];
  readonly on: (version: string) => DressedPage;
  /** Custom properties that values of the looks name, with their colours. */
  readonly properties?: ReadonlyMap<string, string> | undefined;
}
