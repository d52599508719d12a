import type { ColumnCheck, EditingPlace, Look, StateColumn, ViewportName } from '@retoque/core';
import type { ComponentRef } from '../engine/protocol';
import type { LookStore } from '../frame/look-store';
import { StateFrame } from './StateFrame';
import { worstCheck } from './worstCheck';

/** A part in each of its states, side by side on the real page. */
export function Frames({
  component,
  part,
  columns,
  checks,
  viewport,
  place,
  exceptions,
  look,
  untouched,
  selected,
  onSelect,
}: {
  component: ComponentRef | undefined;
  part: string | undefined;
  columns: readonly StateColumn[];
  checks: readonly ColumnCheck[];
  viewport: ViewportName;
  place: EditingPlace;
  exceptions: Look['exceptions'];
  look: LookStore;
  untouched: boolean;
  selected: string;
  onSelect: (column: string) => void;
}) {
  return (
    <div className="frames" data-untouched={untouched ? '' : undefined}>
      {component && part !== undefined
        ? columns.map((state) => (
            <StateFrame
              key={`${part} ${state.name}`}
              component={component}
              part={part}
              column={state}
              viewport={viewport}
              place={place}
              exceptions={exceptions}
              look={look}
              check={worstCheck(checks, part, state.name)}
              selected={state.name === selected}
              onSelect={onSelect}
            />
          ))
        : null}
    </div>
  );
}
