import type { StateSheet } from '@retoque/core';
import { type ReactNode, type RefObject } from 'react';
import { AddState } from '../grid/AddState';
import { SheetBar, type BenchTab } from '../grid/SheetBar';
import type { GridActions } from '../grid/grid-actions';
import { StateGrid } from '../grid/StateGrid';
import type { GridState } from '../grid/useGridState';
import type { GridView } from '../grid/useGridView';
import { Legend } from './bench';
import type { CellEdits } from './useCellEdits';

/** Below the frames: every value in every state, or every check. */
export function SheetPane({
  sheet,
  state,
  view,
  actions,
  edits,
  tab,
  where,
  isBase,
  grid,
  finder,
  ledger,
  onTab,
  onLeave,
  onDialog,
}: {
  sheet: StateSheet;
  state: GridState;
  view: GridView;
  actions: GridActions;
  edits: CellEdits;
  tab: BenchTab;
  /** Where one is editing, in words. */
  where: string;
  isBase: boolean;
  grid: RefObject<HTMLDivElement | null>;
  finder: RefObject<HTMLInputElement | null>;
  /** The list of checks. */
  ledger: ReactNode;
  onTab: (tab: BenchTab) => void;
  onLeave: () => void;
  onDialog: (dialog: 'commands' | 'keys') => void;
}) {
  const searching = state.search.trim() !== '';
  const missing = sheet.missing.map((item) => item.label.toLowerCase()).join(', ');
  return (
    <div
      ref={grid}
      className="sheet"
      onCopy={(event) => edits.copy(event, false)}
      onCut={(event) => edits.copy(event, true)}
      onPaste={edits.paste}
    >
      <SheetBar
        tab={tab}
        onTab={onTab}
        field={finder}
        search={state.search}
        nothing={searching && !view.shown.length}
        where={where}
        isBase={isBase}
        onSearch={state.setSearch}
        onLeave={onLeave}
        onDialog={onDialog}
      />
      {tab === 'checks' ? (
        ledger
      ) : (
        <StateGrid
          sheet={sheet}
          shown={view.shown}
          columns={view.columns}
          unfolded={state.unfoldedSet}
          whole={state.wholeSet}
          selection={view.active}
          range={view.range}
          currentParts={view.active.head.part}
          searching={searching}
          demands={sheet.demands}
          addState={<AddState added={state.added} known={view.names} onChange={state.setAdded} />}
          actions={actions}
        />
      )}
      {sheet.conflicts.length ? (
        <div className="below" data-testid="conflicts">
          Set here over the look of another component, which reaches wider: {sheet.conflicts.join('; ')}.
        </div>
      ) : null}
      {missing ? (
        <div className="below" data-testid="missing-parts">
          Not on this page: {missing}.
        </div>
      ) : null}
      {tab === 'values' ? <Legend /> : null}
    </div>
  );
}
