import {
  DESKTOP,
  pageLedger,
  PageSession,
  readGeometry,
  readState,
  toHex,
  unpackField,
  type LedgerEntry,
  type StoredSheet,
} from '@retoque/core';
import type { PageCheck, PageGeometry } from '@retoque/contract';
import { gunzipSync } from 'node:zlib';

/** Everything that the checks of a page are worked out from. */
export interface LedgerTask {
  readonly html: string;
  readonly address: string;
  readonly sheets: readonly StoredSheet[];
  readonly geometry: readonly PageGeometry[];
  /** Compressed fields by the address of the picture, null for one that does not load, with the weight of the file. */
  readonly pictures: readonly (readonly [address: string, field: Uint8Array | null, bytes: number])[];
  readonly width: number;
  readonly height: number;
  readonly level: 'AA' | 'AAA';
}

const STATES = ['default', 'hover', 'focus', 'active'].map(readState);

const asCheck = ({ select, text, part, state, check, demand }: LedgerEntry): PageCheck => ({
  select,
  text,
  part,
  state,
  criterion: check.criterion,
  demand: demand ?? null,
  verdict: check.verdict,
  measured: check.measured === undefined || !Number.isFinite(check.measured) ? null : check.measured,
  needed: check.needed,
  unit: check.unit,
  foreground: check.foreground ? toHex(check.foreground) : null,
  background: check.background ? toHex(check.background) : null,
  reason: check.reason ?? null,
  basis: check.basis,
  share: check.share ?? null,
  worst: check.at ? [check.at.x, check.at.y] : null,
});

/** Runs in a thread of its own, so that answering others is not held up. */
export default function checkPage(task: LedgerTask): PageCheck[] {
  const page = new PageSession(task);
  for (const { opened, ...stored } of task.geometry) {
    page.measures.setGeometry(readGeometry(stored, page.tree), opened);
  }
  for (const [address, field, bytes] of task.pictures) {
    page.measures.setWeight(address, bytes);
    page.measures.setPicture(address, field && unpackField(gunzipSync(field)));
  }
  const environment = { ...DESKTOP, width: task.width, height: task.height };
  return pageLedger(page, { environment, states: STATES, level: task.level, demands: 'all' }).map(asCheck);
}
