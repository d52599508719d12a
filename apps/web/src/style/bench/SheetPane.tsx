import type { StateSheet } from '@retoque/core';
import { useState, type ReactNode, type RefObject } from 'react';
import { late } from '../../shell/late';
import { useHand } from '../editor/hand';
import { AddState } from '../grid/AddState';
import { SheetBar, type BenchTab } from '../grid/SheetBar';
import type { GridActions } from '../grid/grid-actions';
import { StateGrid } from '../grid/StateGrid';
import type { GridState } from '../grid/useGridState';
import type { GridView } from '../grid/useGridView';
import { Legend } from './bench';
import { Button } from '../../theme/Button';
import type { CellEdits } from './useCellEdits';

const PartsBelow = late(() => import('../grid/PartsBelow'));

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
  taken,
  onTab,
  onPart,
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
  /** Names and labels that parts have already. */
  taken: ReadonlySet<string>;
  onTab: (tab: BenchTab) => void;
  /** Says which elements a part is. */
  onPart: (name: string, label: string, selector: string) => void;
  onLeave: () => void;
  onDialog: (dialog: 'commands' | 'keys') => void;
}) {
  const searching = state.search.trim() !== '';
  const { component, viewport } = useHand();
  const missing = sheet.missing.map((item) => item.label.toLowerCase()).join(', ');
  const [adding, setAdding] = useState(false);
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
      <div className="below" data-testid="missing-parts">
        {adding ? (
          <PartsBelow component={component} viewport={viewport} missing={sheet.missing} taken={taken} onSet={onPart} />
        ) : (
          <>
            {missing ? `Not on this page: ${missing}. ` : ''}
            <Button size="s" onClick={() => setAdding(true)}>
              Add a part
            </Button>
          </>
        )}
      </div>
      {tab === 'values' ? <Legend /> : null}
    </div>
  );
}
