import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import type { GridState } from '../grid/useGridState';

/** Takes the part in hand that was pointed at where this screen was opened from: the element's order is in the address. */
export function useAskedPart(component: ComponentRef | undefined, isShown: boolean, { actions }: GridState): void {
  const [asked] = useSearchParams();
  const order = asked.get('at');
  const done = useRef(false);
  useEffect(() => {
    if (!component || !isShown || done.current || order === null || !/^\d+$/.test(order)) return;
    done.current = true;
    void engine()
      .partAt(component, Number(order))
      .then((part) => part !== undefined && actions.column('default', part));
  }, [component, isShown, order, actions]);
}
