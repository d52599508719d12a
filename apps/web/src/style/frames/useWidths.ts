import type { ColumnCheck, EditingPlace, Look, ViewportName } from '@retoque/core';
import { useEffect, useState } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { createLookStore, type LookStore } from '../../frame/look-store';
import { WIDTHS } from './frames-view';
import type { LookShown } from './look-shown';

const PAUSE_MILLIS = 60;

/** The look at the widths besides the one in hand, a moment after each edit; nothing is asked for while they are not shown. */
export function useWidths(
  component: ComponentRef | undefined,
  look: Look,
  viewport: ViewportName,
  place: EditingPlace,
  shown: boolean,
  alone: boolean,
): Readonly<Partial<Record<ViewportName, LookShown>>> {
  const [stores] = useState(
    () => new Map<ViewportName, LookStore>(WIDTHS.map((name) => [name, createLookStore()] as const)),
  );
  const [checks, setChecks] = useState<Readonly<Partial<Record<ViewportName, readonly ColumnCheck[]>>>>({});
  useEffect(() => {
    if (!shown || !component) return;
    let current = true;
    const timer = setTimeout(() => {
      for (const name of WIDTHS) {
        if (name === viewport) continue;
        void engine()
          .atWidth(component, look, name, place, alone)
          .then((answer) => {
            if (!current) return;
            stores.get(name)?.set(answer.frames);
            setChecks((now) => ({ ...now, [name]: answer.checks }));
          });
      }
    }, PAUSE_MILLIS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [component, look, viewport, place, shown, alone, stores]);
  return Object.fromEntries(WIDTHS.map((name) => [name, { look: stores.get(name)!, checks: checks[name] ?? NOTHING }]));
}

const NOTHING: readonly ColumnCheck[] = [];
