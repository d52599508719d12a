import {
  checkRecord,
  DESKTOP,
  finish,
  pageChecks,
  pageWays,
  readGeometry,
  readState,
  Site,
  TOO_COSTLY,
  unpackField,
  waysRecord,
  type DressedPage,
  type LooksShown,
  type StoredSheet,
} from '@retoque/core';
import type { ComponentWaysRecord, PageCheck, PageGeometry, SiteLooks } from '@retoque/contract';
import { gunzipSync } from 'node:zlib';
import { serveWork } from '../work/serve-work.js';

/** Everything that the checks of a page are worked out from. */
export interface LedgerTask {
  readonly html: string;
  readonly address: string;
  readonly sheets: readonly StoredSheet[];
  readonly geometry: readonly PageGeometry[];
  /** Compressed fields by the address of the picture, null for one that does not load, with the weight of the file. */
  readonly pictures: readonly (readonly [address: string, field: Uint8Array | null | 'costly', bytes: number])[];
  readonly width: number;
  readonly height: number;
  readonly level: 'AA' | 'AAA';
  /** Which page is reported on: with the looks that are worn, or as it was brought. */
  readonly looks: LooksShown;
  /** The page, as settings name it, and what its site wears. */
  readonly pageId: string;
  readonly worn: SiteLooks;
}

/** Of one process, pictures included. */
const MEGABYTES = 2000;

const STATES = ['default', 'hover', 'focus', 'active'].map(readState);

function pageFrom({ pageId, worn, geometry, pictures, ...source }: LedgerTask): DressedPage {
  const site = new Site({ bounds: worn.bounds });
  site.putPage({ version: pageId, pageId, name: '', source });
  site.setPalette(worn.palette);
  site.setFinishes(worn.finishes);
  worn.looks.forEach((look) => site.wear(look));
  const dressed = site.on(pageId);
  const { tree, measures } = dressed.page;
  for (const { opened, ...stored } of geometry) measures.setGeometry(readGeometry(stored, tree), opened);
  for (const [address, field, bytes] of pictures) {
    measures.setWeight(address, bytes);
    measures.setPicture(address, field === 'costly' ? TOO_COSTLY : field && unpackField(gunzipSync(field)));
  }
  return dressed;
}

const environmentOf = ({ width, height }: LedgerTask) => ({ ...DESKTOP, width, height });

function checkPage(task: LedgerTask): PageCheck[] {
  const environment = environmentOf(task);
  const { level, looks } = task;
  const steps = pageChecks(pageFrom(task), looks, { environment, states: STATES, level, demands: 'all' });
  return finish(steps).map(checkRecord);
}

/** Suggested fixes of what falls short in the page's components. */
function findWays(task: LedgerTask & { readonly each: boolean }): ComponentWaysRecord[] {
  const { width, height, level, looks, each } = task;
  const viewports = [{ name: `${width}x${height}`, environment: environmentOf(task) }];
  return pageWays(pageFrom(task), looks, { viewports, level, each }).map(waysRecord) as ComponentWaysRecord[];
}

// In a process of its own, so that answering others is not held up.
serveWork({ checkPage, findWays }, { megabytes: MEGABYTES });
