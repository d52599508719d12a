import { useMemo, useRef, useEffect } from 'react';
import type { Command } from './commands';

export interface CommandInput {
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly hasCell: boolean;
  /** The cell in hand is set by the owner. */
  readonly isSet: boolean;
  readonly run: Readonly<Record<Action, () => void>>;
}

type Action =
  | 'edit'
  | 'clear'
  | 'mute'
  | 'fill'
  | 'copyCss'
  | 'undo'
  | 'redo'
  | 'find'
  | 'unfoldAll'
  | 'foldAll'
  | 'wholePart'
  | 'width'
  | 'page'
  | 'scheme'
  | 'motion'
  | 'point'
  | 'preview'
  | 'survey'
  | 'handover'
  | 'palette'
  | 'keys';

/** The commands of the Style screen: names, keys, and what they can do now. */
export function useCommands({ canUndo, canRedo, hasCell, isSet, run }: CommandInput): readonly Command[] {
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  return useMemo(() => {
    const command = (
      group: Command['group'],
      name: string,
      action: Action,
      keys?: string,
      enabled = true,
    ): Command => ({ group, name, keys, enabled, run: () => latest.current[action]() });
    return [
      command('Cells', 'Edit the cell', 'edit', undefined, hasCell),
      command('Cells', 'Clear', 'clear', undefined, isSet),
      command('Cells', 'Switch off, or on again', 'mute', 'M', isSet),
      command('Cells', 'Fill across states', 'fill', 'F', hasCell),
      command('Cells', 'Copy as CSS', 'copyCss', undefined, hasCell),
      command('Sheet', 'Find a property', 'find', 'P'),
      command('Sheet', 'Unfold every part', 'unfoldAll'),
      command('Sheet', 'Fold the other parts', 'foldAll'),
      command('Sheet', 'All properties of this part, or only the first', 'wholePart', 'A'),
      command('Sheet', 'Point at this part on the page', 'point'),
      command('View', 'Next width', 'width', 'W'),
      command('View', 'This page alone, or every page', 'page'),
      command('View', 'Dark scheme, or light', 'scheme', 'D'),
      command('View', 'Less motion, or full', 'motion'),
      command('View', 'Try it live, or before and after', 'preview', 'L'),
      command('Look', 'Undo', 'undo', undefined, canUndo),
      command('Look', 'Redo', 'redo', undefined, canRedo),
      command('Go', 'Survey', 'survey'),
      command('Go', 'Hand over', 'handover'),
      command('Go', 'Commands', 'palette', '.'),
      command('Go', 'Keys', 'keys', '?'),
    ];
  }, [canUndo, canRedo, hasCell, isSet]);
}
