import {
  ComponentSession,
  DESKTOP,
  EMPTY_LOOK,
  PageSession,
  siteColours,
  stateWords,
  VIEWPORTS,
  type Environment,
  type ViewportName,
} from '@retoque/core';
import { expose } from 'comlink';
import type { ComponentRef, Engine, EnginePage, FoundWithChecks } from './protocol';

/** Pages as they were handed in; small beside what is worked out from them, so many are kept. */
const sources = new Map<string, EnginePage>();
/** Parsed pages, the least recently used first. */
const sessions = new Map<string, PageSession>();
const components = new Map<string, Map<string, ComponentSession>>();
const MAX_SOURCES = 200;
const MAX_SESSIONS = 6;

function forgetOldest(map: Map<string, unknown>, most: number): void {
  const [oldest] = map.keys();
  if (map.size <= most || oldest === undefined) return;
  map.delete(oldest);
  components.delete(oldest);
}

/** A page that was opened before; parsed again where it has been put away since. */
function opened(versionId: string): { page: EnginePage; session: PageSession } {
  const page = sources.get(versionId);
  if (!page) throw new Error('This page is not open yet.');
  const session = sessions.get(versionId) ?? new PageSession(page);
  sessions.delete(versionId);
  sessions.set(versionId, session);
  forgetOldest(sessions, MAX_SESSIONS);
  return { page, session };
}

function sessionOf(ref: ComponentRef): ComponentSession {
  const { session: page } = opened(ref.versionId);
  let own = components.get(ref.versionId);
  if (!own) components.set(ref.versionId, (own = new Map()));
  const key = JSON.stringify([ref.kind, ref.locator]);
  let session = own.get(key);
  if (!session) own.set(key, (session = new ComponentSession(page, ref.kind, ref.locator)));
  return session;
}

const environmentOf = (viewport: ViewportName): Environment => ({ ...DESKTOP, ...VIEWPORTS[viewport] });

const assetBase = `${self.location.origin}/api/assets/`;
const assetsOf = (page: EnginePage) => {
  const byAddress = new Map(page.assets.map((asset) => [asset.address, asset.hash]));
  return {
    assetSource: assetBase,
    assetAt: (absolute: string) => {
      const hash = byAddress.get(absolute);
      return hash && assetBase + hash;
    },
  };
};

const engine: Engine = {
  async open(page) {
    sources.set(page.id, page);
    forgetOldest(sources, MAX_SOURCES);
    return { title: opened(page.id).session.title };
  },

  async find(versionId, looks) {
    const { session } = opened(versionId);
    return session.components().map((found): FoundWithChecks => {
      const kept = looks.find((item) => item.kind === found.kind && item.locator.selector === found.selector);
      const checks = sessionOf({ versionId, kind: found.kind, locator: found.locator }).sheet(
        kept?.look ?? EMPTY_LOOK,
      ).checks;
      const count = (verdict: string) => checks.filter((check) => check.verdict === verdict).length;
      return { ...found, short: count('short'), unsure: count('unsure') };
    });
  },

  async liveFrame(versionId) {
    const { page, session } = opened(versionId);
    return session.frame({ still: false, ...assetsOf(page) });
  },

  async stillFrame(ref, column) {
    const { page, session } = opened(ref.versionId);
    const component = sessionOf(ref);
    const state = component.kind.states.find((item) => item.name === column);
    if (!state) throw new Error(`No state is called "${column}".`);
    return session.frame({ still: true, forced: component.forcedFor(state), ...assetsOf(page) });
  },

  async component(ref) {
    const session = sessionOf(ref);
    return {
      selector: session.selector,
      outcome: session.located.outcome as 'matched' | 'moved',
      order: session.element.order,
      reach: session.located.elements.length,
    };
  },

  async sheet(ref, look, viewport, editNumber) {
    return { editNumber, sheet: sessionOf(ref).sheet(look, environmentOf(viewport)) };
  },

  async tryColours(ref, look, viewport, cell, colours) {
    return sessionOf(ref).tryColours(look, cell, colours, environmentOf(viewport));
  },

  async explain(ref, viewport, cell) {
    return sessionOf(ref).explainCell(cell, environmentOf(viewport));
  },

  async checkRule(ref, viewport, cell, selector) {
    return sessionOf(ref).checkRule(cell, selector, environmentOf(viewport));
  },

  async handover(ref, look, name) {
    const { css, plan, proof } = sessionOf(ref).handover(look, name);
    return {
      css,
      compared: proof.compared,
      widths: opened(ref.versionId).session.environmentCases.length,
      failures: proof.failures.slice(0, 20).map((failure) => ({
        property: failure.property,
        state: stateWords(failure.states),
        wanted: failure.wanted,
        got: failure.got,
      })),
      unbeatable: plan.unbeatable.map(({ property, applied }) => ({
        property,
        selector: applied.selector?.text ?? 'style attribute',
        sheet: applied.declaration.place.sheet,
        line: applied.declaration.place.line,
      })),
    };
  },

  async siteColours(versionId) {
    return siteColours(opened(versionId).session.sheets);
  },
};

expose(engine);
