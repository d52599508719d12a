import type { Look, ViewportName } from '@retoque/core';
import { createContext, useContext } from 'react';
import type { ComponentRef } from '../../engine/protocol';

/** Where the cell in hand stands, for editors that reach beyond its value: files of the site, other widths. */
export interface CellSite {
  readonly siteId: string;
  /** Up to this many CSS pixels a screen is no wide one. */
  readonly mediumFrom: number;
  readonly component: ComponentRef;
  readonly part: string;
  readonly column: string;
  readonly lookNow: () => Look;
  /** Sets longhands of the part in its state under another width. */
  readonly setAt: (viewport: Exclude<ViewportName, 'wide'>, values: Readonly<Record<string, string>>) => void;
}

export const CellSiteContext = createContext<CellSite | undefined>(undefined);

export function useCellSite(): CellSite {
  const site = useContext(CellSiteContext);
  if (!site) throw new Error('An editor is used outside the Style screen.');
  return site;
}
