import {
  asControl,
  baseOf,
  checkRecord,
  EMPTY_LOOK,
  InvalidSelectorError,
  locatorFor,
  readGeometry,
  readState,
  pageChecks,
  pathSelector,
  selectAll,
  siteFamilies,
  siteFonts,
  siteSelectors,
  finishInTurns,
  sourceOf,
  textOf,
} from '@retoque/core';
import { environmentOf, now, nextTurn } from '../asking';
import type { HeldPictures } from '../held-pictures';
import type { Engine, FoundWithChecks } from '../protocol';
import type { SiteFiles } from '../site-files';
import { dressed, keepSource, opened } from '../sites';

/** For so long components are counted before others are answered. */
const COUNTING_MILLIS = 120;

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
  | 'checks'
  | 'warm'
  | 'siteColours'
  | 'siteFamilies'
  | 'siteFonts'
  | 'pictures'
  | 'trySelector'
  | 'placeAt'
  | 'asControl'
> {
  return {
    async open(page) {
      keepSource(page);
      return { title: opened(page.id).session.title };
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
          const field = await held.fieldOf(hash);
          if (field !== undefined) session.measures.setPicture(address, field);
        }),
      );
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
      session.frame({ still: true, ...files.assetsOf(page) });
    },

    async siteColours(versionId) {
      return [...opened(versionId).session.colours];
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

    async asControl(versionId, order, tag) {
      const before = sourceOf(opened(versionId).page.html, order) ?? '';
      const html = asControl(before, tag);
      if (html === undefined) throw new Error('There is nothing there to make a control of.');
      return { html, before };
    },
  };
}
