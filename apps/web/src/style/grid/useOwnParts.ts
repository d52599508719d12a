import type { StateSheet } from '@retoque/core';
import { useMemo, useState } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { useSteady } from '../../shell/useSteady';
import type { GridView } from './useGridView';
import type { LookEditor } from '../look/useLookEditor';

/**
 * What an owner says of the part in hand itself: which elements it is, and what it is called.
 *
 * @param onPicked called when an element was pointed at
 */
export function useOwnParts(
  component: ComponentRef,
  editor: LookEditor,
  sheet: StateSheet | undefined,
  { active, part }: GridView,
  onPicked: () => void,
) {
  const [pointed, setPointed] = useState<string>();
  /** Names and labels that parts have already, those among them that this page has not. */
  const taken = useMemo(
    (): ReadonlySet<string> =>
      new Set([...(sheet?.parts ?? []), ...(sheet?.missing ?? [])].flatMap(({ name, label }) => [name, label])),
    [sheet],
  );
  const { part: name } = active.head;
  const label = part?.label ?? name;
  return {
    /** A selector for what was pointed at. */
    pointed,
    taken,
    pick: useSteady((order: number) => {
      onPicked();
      void engine().selectorOf(component, order).then(setPointed);
    }),
    correct: useSteady((selector: string | undefined) => {
      setPointed(undefined);
      editor.correctPart(name, label, selector);
    }),
    rename: useSteady((next: string | undefined) => editor.renamePart(name, label, next)),
  };
}
export type OwnPartEdits = ReturnType<typeof useOwnParts>;
