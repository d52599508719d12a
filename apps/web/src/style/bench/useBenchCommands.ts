import type { StateSheet } from '@retoque/core';
import { useNavigate } from 'react-router';
import { handoverPath, surveyPath } from '../../shell/paths';
import type { GridState } from '../grid/useGridState';
import type { GridView } from '../grid/useGridView';
import type { LookEditor } from '../look/useLookEditor';
import type { Command } from './commands';
import type { CellEdits } from './useCellEdits';
import { useCommands } from './useCommands';
import type { BenchDialog } from './useDialogs';
import type { Styled } from './useOpened';
import type { Placing } from './usePlace';

/** What every command of the Style screen does, and whether it can do it now. */
export function useBenchCommands({
  styled: { site, page, component },
  sheet,
  editor,
  edits,
  placing,
  state,
  view: { active, cell },
  edit,
  find,
  show,
}: {
  styled: Styled;
  sheet: StateSheet | undefined;
  editor: LookEditor;
  edits: CellEdits;
  placing: Placing;
  state: GridState;
  view: GridView;
  /** Goes to the value of the cell in hand. */
  edit: () => void;
  /** Goes to the search for properties. */
  find: () => void;
  show: (dialog: BenchDialog) => void;
}): readonly Command[] {
  const navigate = useNavigate();
  const { past, future } = editor.history;
  return useCommands({
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    hasCell: cell !== undefined,
    isSet: cell?.own !== undefined,
    run: {
      edit,
      clear: edits.clear,
      mute: edits.mute,
      fill: edits.fill,
      copyCss: edits.copyCss,
      undo: editor.undo,
      redo: editor.redo,
      find,
      unfoldAll: () => state.setUnfolded(sheet?.parts.map((item) => item.name) ?? []),
      foldAll: () => state.setUnfolded([active.head.part]),
      wholePart: () => state.actions.toggleWhole(active.head.part),
      width: placing.nextWidth,
      page: placing.togglePage,
      scheme: placing.toggleScheme,
      motion: placing.toggleMotion,
      point: () => show('pointing'),
      preview: () => show('preview'),
      survey: () => void navigate(surveyPath(site.id, page.id)),
      handover: () => void navigate(handoverPath(site.id, page.id, component.id)),
      palette: () => show('commands'),
      keys: () => show('keys'),
    },
  });
}
