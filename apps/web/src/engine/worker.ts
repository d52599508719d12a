import type { PageGeometry } from '@retoque/contract';
import {
  asControl,
  baseOf,
  checkRecord,
  DESKTOP,
  EMPTY_LOOK,
  fontFaces,
  geometryOf,
  heatOf,
  InvalidSelectorError,
  isImposter,
  layoutKey,
  locatorFor,
  NEEDED_LARGE,
  NEEDED_NORMAL,
  readGeometry,
  readState,
  Remedies,
  resolveAddress,
  rewriteUrls,
  sameRow,
  pageChecks,
  pathSelector,
  selectAll,
  siteFamilies,
  siteFonts,
  siteSelectors,
  finishInTurns,
  handingOver,
  replacingAcross,
  solve,
  solving,
  sourceOf,
  storeGeometry,
  textOf,
  TOO_COSTLY,
  unpackField,
  VIEWPORTS,
  type EditingPlace,
  type Environment,
  type FrameRules,
  type KnownPicture,
  type Look,
  type SheetRow,
  type Solution,
  type ViewportName,
} from '@retoque/core';
import { expose } from 'comlink';
import { Preparation } from './preparation';
import { dressed, keepSource, opened, pagesNow, sessionOf, siteOf, wear } from './sites';
import type {
  ComponentRef,
  Engine,
  EngineFile,
  EnginePage,
  FoundWithChecks,
  FramesListener,
  LedgerQuery,
  SheetQuery,
  ToMeasure,
} from './protocol';

/** Look that the geometry of a page was measured under, by page, viewport and what was opened. */
const layouts = new Map<string, string>();

/** Decoded pictures by the hash of their file; several pages show the same. */
const fields = new Map<string, Promise<KnownPicture | undefined>>();
/** Bytes of decoded pictures that are held; past the bound a picture is said to take too much. */
let heldBytes = 0;
const MOST_HELD_BYTES = 600_000_000;

async function unpackWithin(answer: Response): Promise<KnownPicture> {
  const bytes = new Uint8Array(await answer.arrayBuffer());
  heldBytes += bytes.length;
  return heldBytes > MOST_HELD_BYTES ? TOO_COSTLY : unpackField(bytes);
}

/** What is known of a stored picture; undefined where the server does not answer. */
function fieldOf(hash: string): Promise<KnownPicture | undefined> {
  let field = fields.get(hash);
  if (!field) {
    field = fetch(`${assetBase}${hash}/pixels`)
      .then(async (answer) => {
        if (answer.status === 204) return null;
        if (answer.status === 422) return TOO_COSTLY;
        return answer.ok ? unpackWithin(answer) : undefined;
      })
      .catch(() => undefined);
    fields.set(hash, field);
    // Asked for again with the next page that shows it.
    void field.then((known) => known === undefined && fields.delete(hash));
  }
  return field;
}

/** For so long components are counted before others are answered. */
const COUNTING_MILLIS = 120;

const layoutPlace = (versionId: string, viewport: ViewportName, key: string) => `${versionId} ${viewport} ${key}`;

/** What may have moved boxes of a page: the look in hand, and those that lie under it. */
const layoutOf = ({ versionId, kind, locator, parts }: ComponentRef, look: Look): string =>
  [layoutKey(look), dressed(versionId).layoutUnder({ kind, locator, parts })].filter(Boolean).join('\n');

const ledgerRequest = ({ place, added }: LedgerQuery) => ({
  viewports: (Object.keys(VIEWPORTS) as ViewportName[]).map((name) => ({
    name,
    environment: environmentOf(name, place),
  })),
  place,
  added,
});

const environmentOf = (viewport: ViewportName, place: EditingPlace = {}): Environment => ({
  ...DESKTOP,
  ...VIEWPORTS[viewport],
  scheme: place.scheme ?? 'light',
});

const requestOf = ({ viewport, place, unfolded, whole, added, also }: SheetQuery) => ({
  environment: environmentOf(viewport, place),
  place,
  unfolded,
  whole,
  added,
  also,
});

const assetBase = `${self.location.origin}/api/assets/`;
/** Files of the site that looks may name. */
let siteFiles: readonly EngineFile[] = [];

const assetsOf = (page: EnginePage, pictures = true) => {
  const assets = pictures ? page.assets : page.assets.filter((asset) => asset.contentType.startsWith('font/'));
  const byAddress = new Map(assets.map((asset) => [asset.address, asset.hash]));
  for (const file of siteFiles) {
    const absolute = resolveAddress(file.address, page.address);
    if (absolute && (pictures || file.font)) byAddress.set(absolute, file.hash);
  }
  return {
    assetSource: assetBase,
    assetAt: (absolute: string) => {
      const hash = byAddress.get(absolute);
      return hash && assetBase + hash;
    },
  };
};

/** A look's CSS as a frame can load it: the paths that it names lead to stored files. */
function localCss(css: string, page: EnginePage): string {
  return css.includes('url(') ? rewriteUrls(css, { address: page.address, ...assetsOf(page) }) : css;
}

/** The site's font files under an address each. */
const fontsAt = (addressOf: (file: EngineFile) => string) =>
  siteFiles.flatMap((file) => (file.font ? [{ ...file.font, address: addressOf(file) }] : []));

/** No plan of a look has it. */
const FONTS_ID = -1;

/** Rules with local addresses, by the rules as they are planned. */
let localRules = new WeakMap<FrameRules['rules'], FrameRules>();
/** The rules of the site's font files, as frames load them; made when the files change. */
let fontCss = '';

/** The rules of a look for still frames, fonts and pictures included. */
function framesOf(rules: readonly FrameRules[], page: EnginePage): readonly FrameRules[] {
  const local = rules.map((own) => {
    if (!own.rules.some(({ css }) => css.includes('url('))) return own;
    let made = localRules.get(own.rules);
    if (!made) {
      made = { ...own, rules: own.rules.map((rule) => ({ ...rule, css: localCss(rule.css, page) })) };
      localRules.set(own.rules, made);
    }
    return made;
  });
  return fontCss ? [{ id: FONTS_ID, rules: [{ states: 0, css: fontCss }] }, ...local] : local;
}

let framesListener: FramesListener | undefined;

/** What makes all of a component pass, as far as it is worked out. */
const preparation = new Preparation<Solution>();
const solvingKey = (...asked: [ComponentRef, Look, LedgerQuery, ViewportName]) => JSON.stringify(asked);

/** States in which all of a page is checked. */
const CHECKED_STATES = ['default', 'hover', 'focus', 'active'].map(readState);

const now = () => performance.now();
/** Lets whatever was asked for in the meantime have its turn. */
const nextTurn = () => new Promise<void>((resolve) => setTimeout(resolve));

/** The sheet that was sent last; the next is told by what differs. */
let lastSent: { editNumber: number; rows: readonly SheetRow[] } | undefined;

const engine: Engine = {
  async open(page) {
    keepSource(page);
    return { title: opened(page.id).session.title };
  },

  async wear(siteId, change) {
    wear(siteId, change);
  },

  async equip(versionId, geometry) {
    const { page, session } = opened(versionId);
    for (const { opened: key, ...stored } of geometry) {
      session.measures.setGeometry(readGeometry(stored, session.tree), key);
    }
    const pictures = page.assets.filter(({ contentType }) => contentType.startsWith('image/'));
    await Promise.all(
      pictures.map(async ({ address, hash, size }) => {
        session.measures.setWeight(address, size);
        const field = await fieldOf(hash);
        if (field !== undefined) session.measures.setPicture(address, field);
      }),
    );
  },

  async toMeasure(ref, look, viewport) {
    const { page, session } = opened(ref.versionId);
    const component = sessionOf(ref);
    const environment = environmentOf(viewport);
    const layout = layoutOf(ref, look);
    const own = layout ? framesOf(component.frameRules(look, { environment }), page) : [];
    return component.openings(look, environment).flatMap(({ key, seen }): ToMeasure[] => {
      const isKnown = session.measures.hasGeometry(environment, key);
      if (isKnown && (layouts.get(layoutPlace(ref.versionId, viewport, key)) ?? '') === layout) return [];
      const html = session.frame({
        still: true,
        tree: seen.stage.tree,
        forced: seen.view.forced,
        ...assetsOf(page),
      });
      return [{ opened: key, html, forced: seen.view.forced.union, look: own }];
    });
  },

  async measured(ref, look, viewport, key, elements) {
    const { session } = opened(ref.versionId);
    const geometry = geometryOf(VIEWPORTS[viewport], elements);
    const layout = layoutOf(ref, look);
    session.measures.setGeometry(geometry, key);
    layouts.set(layoutPlace(ref.versionId, viewport, key), layout);
    if (layout) return undefined;
    return { ...storeGeometry(geometry, session.tree), ...(key ? { opened: key } : {}) } as PageGeometry;
  },

  async ledger(ref, look, query) {
    return sessionOf(ref).ledger(look, ledgerRequest(query));
  },

  async remedies(ref, look, query, check, at) {
    return new Remedies(sessionOf(ref), look, { ...ledgerRequest(query), at }).propose(check);
  },

  async solve(ref, look, query, scope, at) {
    const begun = scope.of === 'component' ? preparation.finish(solvingKey(ref, look, query, at)) : undefined;
    return begun ?? solve(sessionOf(ref), look, scope, { ...ledgerRequest(query), at });
  },

  async prepare(ref, look, query, at) {
    return preparation.run(solvingKey(ref, look, query, at), () =>
      solving(sessionOf(ref), look, { of: 'component' }, { ...ledgerRequest(query), at }),
    );
  },

  async stopPreparing() {
    preparation.stop();
  },

  async replaceColour(ref, look, colour, onStep) {
    const request = { ...ledgerRequest({ place: {}, added: [], measured: 0 }), at: 'wide' };
    const { versionId: version, kind, locator, parts } = ref;
    const steps = replacingAcross(pagesNow(version), colour, request, {
      version,
      place: { kind, locator, parts },
      look,
    });
    return finishInTurns(steps, ({ done, of }) => Promise.resolve(onStep(done, of)), now, 0);
  },

  async heat(ref, look, viewport, place, part, column) {
    const seen = sessionOf(ref).seenUnder(look, part, column, { environment: environmentOf(viewport, place), place });
    return heatOf(seen, (large) => (large ? NEEDED_LARGE : NEEDED_NORMAL));
  },

  async useFiles(files) {
    siteFiles = files;
    localRules = new WeakMap();
    fontCss = fontFaces(fontsAt(({ hash }) => assetBase + hash));
  },

  async siteFonts(versionId) {
    const { page, session } = opened(versionId);
    const { assetAt } = assetsOf(page);
    return siteFonts(session.tree, page.address, page.sheets).flatMap(({ family, style, weight, sources }) => {
      const source = sources.flatMap((address) => assetAt(address) ?? [])[0];
      return source ? [{ family, source, style, weight }] : [];
    });
  },

  async list(versionId) {
    return [...opened(versionId).session.components()];
  },

  async count(versionId, from) {
    const until = performance.now() + COUNTING_MILLIS;
    const counts: Pick<FoundWithChecks, 'short' | 'unsure'>[] = [];
    const page = dressed(versionId);
    for (const { kind, locator } of page.page.components().slice(from)) {
      const { checks } = page.worn({ kind, locator }).sheet(EMPTY_LOOK, { unfolded: [] });
      const count = (verdict: string) => checks.filter((check) => check.verdict === verdict).length;
      counts.push({ short: count('short'), unsure: count('unsure') });
      if (performance.now() > until) break;
    }
    return counts;
  },

  async checks(versionId, looks, viewport) {
    const steps = pageChecks(dressed(versionId), looks, {
      environment: environmentOf(viewport),
      states: CHECKED_STATES,
      demands: 'all',
    });
    return (await finishInTurns(steps, nextTurn, now)).map(checkRecord);
  },

  async warm(versionId) {
    const { page, session } = opened(versionId);
    session.frame({ still: true, ...assetsOf(page) });
  },

  async liveFrame(versionId, touch = false) {
    const { page, session } = opened(versionId);
    return session.frame({ still: false, touch, ...assetsOf(page) });
  },

  async liveCss(ref, look) {
    const session = sessionOf(ref);
    return `${fontCss}\n${localCss(`${session.wider}\n${session.css(look)}`, opened(ref.versionId).page)}`;
  },

  async atWidth(ref, look, viewport, place) {
    const session = sessionOf(ref);
    const request = { environment: environmentOf(viewport, place), place, unfolded: [] };
    return {
      frames: framesOf(session.frameRules(look, request), opened(ref.versionId).page),
      checks: session.sheet(look, request).checks,
    };
  },

  async openable(ref, viewport) {
    return sessionOf(ref).openable(environmentOf(viewport));
  },

  async partsByOrder(ref) {
    return sessionOf(ref).partsByOrder();
  },

  async stillFrame(ref, part, column, viewport, exceptions, place, view) {
    const { page, session } = opened(ref.versionId);
    const environment = environmentOf(viewport, place);
    const look = { ...EMPTY_LOOK, exceptions };
    const seen = sessionOf(ref).seenIn(part, column, { look, environment, place, open: view?.open });
    const html = session.frame({
      still: true,
      tree: seen.stage.tree,
      forced: seen.view.forced,
      ...assetsOf(page, view?.pictures),
    });
    return { html, order: seen.element.order, forced: seen.view.forced.union };
  },

  async component(ref) {
    const session = sessionOf(ref);
    return {
      selector: session.selector,
      outcome: session.located.outcome as 'matched' | 'moved',
      order: session.element.order,
      reach: session.located.elements.length,
      isImposter: session.kind.name === 'button' && isImposter(session.element),
    };
  },

  async onFrames(listener) {
    framesListener = listener;
  },

  async sheet(ref, look, query, editNumber, held) {
    const session = sessionOf(ref);
    const request = requestOf(query);
    // Frames are laid out while the sheet is worked out.
    framesListener?.(editNumber, framesOf(session.frameRules(look, request), opened(ref.versionId).page));
    const { rows, ...sheet } = session.sheet(look, request);
    const before = lastSent?.editNumber === held ? lastSent?.rows : undefined;
    lastSent = { editNumber, rows };
    if (!before) return { editNumber, sheet, rows };
    const places = new Map(before.map((row, i) => [`${row.part} ${row.row.key}`, i]));
    return {
      editNumber,
      sheet,
      rows: rows.map((row) => {
        const place = places.get(`${row.part} ${row.row.key}`);
        return place !== undefined && sameRow(before[place]!, row) ? place : row;
      }),
    };
  },

  async tryColours(ref, look, query, cell, colours) {
    return sessionOf(ref).tryColours(look, cell, colours, requestOf(query));
  },

  async explain(ref, viewport, cell) {
    // What is edited meanwhile has its turn in between.
    return finishInTurns(sessionOf(ref).explaining(cell, environmentOf(viewport)), nextTurn, now, 20);
  },

  async checkRule(ref, viewport, cell, selector) {
    return sessionOf(ref).checkRule(cell, selector, environmentOf(viewport));
  },

  async colourChildren(ref, viewport, cell) {
    return sessionOf(ref).colourChildren(cell, environmentOf(viewport));
  },

  async members(ref, part) {
    return sessionOf(ref).members(part);
  },

  async trySelector(versionId, selector) {
    try {
      const elements = selectAll(opened(versionId).session.tree, selector);
      return { count: elements.length, problem: undefined, orders: elements.slice(0, 500).map(({ order }) => order) };
    } catch (error) {
      if (!(error instanceof InvalidSelectorError)) throw error;
      return { count: 0, problem: error.message, orders: [] };
    }
  },

  async selectorOf(ref, order) {
    const { session } = opened(ref.versionId);
    const element = session.tree.elements[order];
    if (!element) throw new Error('That element is not on the page.');
    const root = sessionOf(ref).selector;
    const own = siteSelectors(element, session.stylesFor());
    return own.find((selector) => selector.startsWith(root)) ?? own[0] ?? pathSelector(element);
  },

  async placeAt(versionId, order) {
    const { page, session } = opened(versionId);
    const element = session.tree.elements[order];
    const html = sourceOf(page.html, order);
    if (!element || html === undefined) throw new Error('Nothing can be put there. Point at another element.');
    const own = siteSelectors(element, session.stylesFor());
    const selector = own.find((item) => selectAll(session.tree, item).length === 1) ?? pathSelector(element);
    const name = textOf(element).slice(0, 60) || element.attributes.get('aria-label') || element.name;
    return { locator: locatorFor(element, selector), name, html };
  },

  async pictures(versionId) {
    const { page, session } = opened(versionId);
    const { assetAt } = assetsOf(page);
    return {
      base: baseOf(session.tree, page.address),
      served: new Map(page.assets.map(({ address }) => [address, assetAt(address)!])),
    };
  },

  async asControl(versionId, order, tag) {
    const before = sourceOf(opened(versionId).page.html, order) ?? '';
    const html = asControl(before, tag);
    if (html === undefined) throw new Error('There is nothing there to make a control of.');
    return { html, before };
  },

  async handover(siteId, versions, ids, onStep) {
    const site = siteOf(siteId);
    // In the order of the site, whichever was opened last.
    const pages = versions.flatMap((wanted) => site.pages.find(({ version }) => version === wanted) ?? []);
    const steps = handingOver({ ...site.only(new Set(ids)), pages }, { fonts: fontsAt(({ address }) => address) });
    return finishInTurns(steps, ({ done, of }) => Promise.resolve(onStep(done, of)), now);
  },

  async siteColours(versionId) {
    return [...opened(versionId).session.colours];
  },

  async siteFamilies(versionId) {
    return siteFamilies(opened(versionId).session.sheets);
  },
};

expose(engine);
