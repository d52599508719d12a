import type { Site } from '@retoque/contract';
import type { Kind, Look } from '@retoque/core';
import { useMemo } from 'react';
import type { ComponentRef } from '../../engine/protocol';
import { tellDone } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import type { CellSite } from '../editor/site-context';
import type { CellAddress } from '../look/cells';
import { cellsName, type LookEditor } from '../look/useLookEditor';

/** What `CellSiteContext` holds: where the cell in hand stands. */
export function useCellSiteValue({
  site,
  kind,
  component,
  address,
  lookNow,
  editor,
  undo,
}: {
  site: Site;
  kind: Kind;
  component: ComponentRef;
  address: CellAddress;
  lookNow: () => Look;
  editor: LookEditor;
  undo: () => void;
}): CellSite {
  const setAt = useSteady((width: 'medium' | 'narrow', values: Readonly<Record<string, string>>) => {
    const upTo = `up to ${site.bounds[width]} pixels`;
    editor.setAt(width, [{ address, values }], `${cellsName(kind, [address])}, ${upTo}`);
    tellDone(`Set ${upTo}.`, undo);
  });
  const { part, column } = address;
  return useMemo(
    () => ({ siteId: site.id, mediumFrom: site.bounds.medium, component, part, column, lookNow, setAt }),
    [site.id, site.bounds.medium, component, part, column, lookNow, setAt],
  );
}
