import type { Exception, StateSheet } from '@retoque/core';
import type { ReactNode, RefObject } from 'react';
import { Editor, type SiteValues } from '../editor/Editor';
import { CellSiteContext, type CellSite } from '../editor/site-context';
import type { GridView } from '../grid/useGridView';
import type { CellEdits } from './useCellEdits';

/** At the right: the editor of the cell in hand, or why there is none. */
export function EditorPane({
  sheet,
  view: { active, part, sheetRow, cell, shown, selected },
  cellSite,
  site,
  field,
  partNote,
  edits,
  onApart,
  onLeave,
}: {
  sheet: StateSheet | undefined;
  view: GridView;
  cellSite: CellSite;
  site: SiteValues;
  field: RefObject<HTMLInputElement | null>;
  partNote: ReactNode;
  edits: CellEdits;
  onApart: (exception: Exception) => void;
  onLeave: () => void;
}) {
  return (
    <aside className="editor" aria-label="Editor">
      <CellSiteContext value={cellSite}>
        {sheet && sheetRow && cell?.applies ? (
          <Editor
            sheet={sheet}
            address={active.head}
            row={sheetRow.row}
            cell={cell}
            selectedCount={selected.length}
            site={site}
            field={field}
            partNote={partNote}
            edits={edits}
            onApart={onApart}
            onLeave={onLeave}
          />
        ) : sheet && part ? (
          <>
            <p className="follows">
              {shown.length
                ? `${part.label} is never in this state. Choose another cell.`
                : 'Unfold a part to style it.'}
            </p>
            {partNote}
          </>
        ) : null}
      </CellSiteContext>
    </aside>
  );
}
