import type { PageGeometry } from '@retoque/contract';
import {
  baseOf,
  calledAs,
  canBePart,
  checkRecord,
  InvalidSelectorError,
  locatorFor,
  readGeometry,
  readState,
  pageChecks,
  placeOn,
  pathSelector,
  selectAll,
  siteFamilies,
  siteFonts,
  siteSelectors,
  finishInTurns,
  sourceOf,
  textOf,
  textStart,
  type PageSession,
  type Tally,
  type ViewportName,
} from '@retoque/core';
import { environmentOf, now, nextTurn, whenNobodyAsks } from '../asking';
import type { HeldPictures } from '../held-pictures';
import type { Engine, EnginePage, Takeable, TreeElement } from '../protocol';
import type { SiteFiles } from '../site-files';
import { dressed, keepSource, opened } from '../sites';

/** The components of a page, and what belongs to none of them. */
const all = (page: PageSession) => [...page.components(), ...page.rest()];

const ownPictures = ({ assets }: EnginePage) => assets.filter(({ contentType }) => contentType.startsWith('image/'));

/** The widths at which a component is counted: others only for what the first does not show. */
const WIDTHS: readonly ViewportName[] = ['wide', 'narrow', 'medium'];

/** Elements beside one another that the tree shows, and how much of their words. */
const MOST_ELEMENTS = 500;
const LONGEST_WORDS = 60;

/** For so long components are counted before it is told how they fare, and before others have their turn. */
const COUNTING_MILLIS = 120;
const TURN_MILLIS = 20;

/** States in which all of a page is checked. */
const CHECKED_STATES = ['default', 'hover', 'focus', 'active'].map(readState);

/** Pages: what is on them, and what their elements are. */
export function pagesOf(
  files: SiteFiles,
  held: HeldPictures,
): Pick<
  Engine,
  | 'open'
  | 'equip'
  | 'list'
  | 'count'
  | 'takeables'
  | 'elementsIn'
  | 'checks'
  | 'warm'
  | 'siteColours'
  | 'siteFamilies'
  | 'siteFonts'
  | 'pictures'
  | 'trySelector'
  | 'placeAt'
> {
  /** Takes what was measured of a page before. */
  const takeGeometry = (versionId: string, geometry: readonly PageGeometry[]) => {
    const { page, session } = opened(versionId);
    for (const { opened: key, ...stored } of geometry) {
      session.measures.setGeometry(readGeometry(stored, session.tree), key);
    }
    for (const { address, size } of ownPictures(page)) session.measures.setWeight(address, size);
  };
  /** Fetches what is known of a page's pictures. */
  const takePictures = async (versionId: string) => {
    const { page, session } = opened(versionId);
    const pictures = [...ownPictures(page), ...files.picturesOn(page)];
    await held.give(session.measures, pictures);
  };
  /** The pictures of pages that are listed, on their way: figures need them, and lists do not. */
  const coming = new Map<string, Promise<void>>();

  return {
    async open(page) {
      keepSource(page);
      return { title: opened(page.id).session.title };
    },

    async equip(versionId, geometry) {
      takeGeometry(versionId, geometry);
      await takePictures(versionId);
    },

    async list(versionId, geometry) {
      takeGeometry(versionId, geometry);
      coming.set(versionId, takePictures(versionId));
      return all(opened(versionId).session);
    },

    async count(versionId, from) {
      await coming.get(versionId);
      coming.delete(versionId);
      const until = performance.now() + COUNTING_MILLIS;
      const counts: Tally[] = [];
      const page = dressed(versionId);
      for (const { kind, locator } of all(page.page).slice(from)) {
        await whenNobodyAsks();
        const steps = page.worn({ kind, locator }).tallying(WIDTHS.map((width) => environmentOf(width)));
        counts.push(await finishInTurns(steps, whenNobodyAsks, now, TURN_MILLIS));
        if (performance.now() > until) break;
      }
      return counts;
    },

    async takeables(versionId, order) {
      const { session } = opened(versionId);
      return session.proposalsAt(order).map((proposal): Takeable => {
        const { parts } = placeOn(session, proposal);
        return {
          ...proposal,
          parts: parts.map(({ part, elements }) => ({ label: part.label, members: elements.length })),
        };
      });
    },

    async elementsIn(versionId, order) {
      const { tree } = opened(versionId).session;
      const holder = order === undefined ? tree.elements.find(({ name }) => name === 'body') : tree.elements[order];
      const shown = holder?.children.filter(canBePart) ?? [];
      return shown.slice(0, MOST_ELEMENTS).map((element): TreeElement => ({
        order: element.order,
        tag: calledAs(element),
        words: textStart(element, LONGEST_WORDS),
        holds: element.children.filter(canBePart).length,
      }));
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
      session.frame({ still: true, ...files.assetsOf(page) });
    },

    async siteColours(versionId) {
      return [...(await finishInTurns(opened(versionId).session.countingColours(), whenNobodyAsks, now, TURN_MILLIS))];
    },

    async siteFamilies(versionId) {
      return siteFamilies(opened(versionId).session.sheets);
    },

    async siteFonts(versionId) {
      const { page, session } = opened(versionId);
      const { assetAt } = files.assetsOf(page);
      return siteFonts(session.tree, page.address, page.sheets).flatMap(({ family, style, weight, sources }) => {
        const source = sources.flatMap((address) => assetAt(address) ?? [])[0];
        return source ? [{ family, source, style, weight }] : [];
      });
    },

    async pictures(versionId) {
      const { page, session } = opened(versionId);
      const { assetAt } = files.assetsOf(page);
      return {
        base: baseOf(session.tree, page.address),
        served: new Map(page.assets.map(({ address }) => [address, assetAt(address)!])),
      };
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
  };
}
