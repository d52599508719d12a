import type { FrameRules, Look, StateSheet } from '@retoque/core';
import { replaceEqualDeep } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { engine, onFrames as onFramesTold } from '../../engine/engine';
import type { ComponentRef, SheetAnswer, SheetQuery } from '../../engine/protocol';
import { useSteady } from '../../shell/useSteady';

interface Held {
  readonly editNumber: number;
  readonly sheet: StateSheet;
}

/** Puts an answer together with what was held; what has not changed stays the same object, so that it is not drawn again. */
function take({ editNumber, sheet, rows }: SheetAnswer, held: Held | undefined): Held {
  const whole = { ...sheet, rows: rows.map((row) => (typeof row === 'number' ? held!.sheet.rows[row]! : row)) };
  if (!held) return { editNumber, sheet: whole };
  const kept = replaceEqualDeep({ ...held.sheet, rows: [] }, sheet) as Omit<StateSheet, 'rows'>;
  return { editNumber, sheet: { ...kept, rows: whole.rows } };
}

/**
 * The state sheet of a look and its CSS for the frames, resolved in the worker. While an answer is on its way only the
 * newest look waits; answers to older edits are dropped. The CSS comes first, so that the frames are laid out while the
 * sheet is still worked out.
 *
 * @param onFrames always the same function
 * @returns the sheet, and a way to ask for the look's before it is even drawn
 */
export function useSheet(
  component: ComponentRef | undefined,
  look: Look,
  query: SheetQuery,
  onFrames: (rules: readonly FrameRules[]) => void,
) {
  const [answer, setAnswer] = useState<Held>();
  const [error, setError] = useState<Error>();
  const edit = useRef(0);
  const asked = useRef<{ component: ComponentRef; look: Look; query: SheetQuery }>(undefined);
  const busy = useRef(false);
  const held = useRef<Held>(undefined);
  const waiting = useRef<(() => void) | undefined>(undefined);

  useEffect(
    () =>
      onFramesTold((editNumber, rules) => {
        if (editNumber === edit.current) onFrames(rules);
      }),
    [onFrames],
  );

  const ask = useSteady((wanted: Look) => {
    if (!component) return;
    const { current } = asked;
    if (current?.component === component && current.look === wanted && current.query === query) return;
    asked.current = { component, look: wanted, query };
    const editNumber = ++edit.current;
    const send = () => {
      busy.current = true;
      waiting.current = undefined;
      engine()
        .sheet(component, wanted, query, editNumber, held.current?.editNumber)
        .then((result) => {
          // What comes next is told by what differs from this one, even where it is too old to be shown.
          const isFirst = held.current === undefined;
          held.current = take(result, held.current);
          // The first is shown in any case: what was asked since, of files say, comes to little else.
          if (editNumber !== edit.current && !isFirst) return;
          setAnswer(held.current);
          setError(undefined);
        })
        .catch((problem: unknown) => {
          held.current = undefined;
          if (editNumber === edit.current) setError(problem instanceof Error ? problem : new Error(String(problem)));
        })
        .finally(() => {
          busy.current = false;
          waiting.current?.();
        });
    };
    if (busy.current) waiting.current = send;
    else send();
  });
  useEffect(() => ask(look), [ask, component, look, query]);

  return { sheet: answer?.sheet, error, ask };
}
