import type { ColumnCheck, EditingPlace, Look, StateColumn, ViewportName } from '@retoque/core';
import type { ComponentRef } from '../../engine/protocol';
import type { LookStore } from '../../frame/look-store';
import { late } from '../../shell/late';
import { showsWidths, WIDTHS, type FramesView } from './frames-view';
import { StateFrame } from './StateFrame';
import type { LookShown } from './look-shown';
import { worstCheck } from '../checks/worstCheck';

const VisionFilters = late(() => import('../../frame/VisionFilters'));

/** A part in each of its states, side by side on the real page. */
export function Frames({
  component,
  part,
  columns,
  checks,
  viewport,
  place,
  exceptions,
  view,
  widths,
  look,
  heatLook,
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
  view: FramesView;
  /** The look and its checks at the widths besides the one in hand. */
  widths: Readonly<Partial<Record<ViewportName, LookShown>>>;
  look: LookStore;
  /** The look in hand, where a heat map is wanted. */
  heatLook: Look | undefined;
  untouched: boolean;
  selected: string;
  onSelect: (column: string, part?: string) => void;
}) {
  const states = view.beside === 'widths' ? columns.filter((column) => column.name === selected) : columns;
  const isWide = showsWidths(view);
  const shown = isWide ? WIDTHS : [viewport];
  return (
    <>
      {view.seen ? <VisionFilters /> : null}
      <div
        className="frames"
        data-untouched={untouched ? '' : undefined}
        data-framing={view.framing}
        data-rows={view.beside === 'both' ? '' : undefined}
      >
        {component && part !== undefined
          ? states.map((state) =>
              shown.map((width) => {
                const other = width === viewport ? undefined : widths[width];
                return (
                  <StateFrame
                    key={`${part} ${state.name} ${isWide ? width : ''}`}
                    component={component}
                    part={part}
                    column={state}
                    viewport={width}
                    place={place}
                    exceptions={exceptions}
                    view={view}
                    named={isWide}
                    look={other?.look ?? look}
                    heatLook={heatLook}
                    check={worstCheck(other?.checks ?? checks, part, state.name)}
                    selected={state.name === selected && width === viewport}
                    onSelect={onSelect}
                  />
                );
              }),
            )
          : null}
      </div>
    </>
  );
}
