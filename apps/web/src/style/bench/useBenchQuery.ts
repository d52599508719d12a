import { rowNamed, type EditingPlace, type ViewportName } from '@retoque/core';
import { useMemo } from 'react';
import type { SheetQuery } from '../../engine/protocol';
import { EDITOR_ROWS } from '../editor/values';
import type { GridState } from '../grid/useGridState';

/** What of the sheet is asked for: the open parts, and the rows that the editor in hand shows beside its own. */
export function useBenchQuery(
  { unfolded, whole, added, search, selection: { head } }: GridState,
  viewport: ViewportName,
  place: EditingPlace,
  files: string | undefined,
  measured: number,
  alone: boolean,
): SheetQuery {
  const searching = search.trim() !== '';
  const row = rowNamed(head.row);
  const besides = row && EDITOR_ROWS[row.editor];
  const also = useMemo(() => besides && { part: head.part, rows: besides }, [besides, head.part]);
  return useMemo(
    (): SheetQuery => ({
      viewport,
      place,
      unfolded,
      whole: searching ? unfolded : whole,
      added,
      also,
      files,
      measured,
      alone,
    }),
    [viewport, place, unfolded, whole, added, also, searching, files, measured, alone],
  );
}
