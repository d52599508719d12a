import type { ColumnCheck, Look, StateSheet } from '@retoque/core';
import type { ComponentRef } from '../../engine/protocol';
import { late } from '../../shell/late';
import { useHand } from '../editor/hand';
import { Frames } from '../frames/Frames';
import type { FramesView } from '../frames/frames-view';
import type { useFrameLook } from '../frames/useFrameLook';
import type { useWidths } from '../frames/useWidths';
import type { GridState } from '../grid/useGridState';
import type { GridView } from '../grid/useGridView';
import type { Styled } from './useOpened';
import type { Placing } from './usePlace';
import type { useRivals } from './useRivals';

const VersionRows = late(() => import('../frames/VersionRows'));
const ValuesRow = late(() => import('../editor/ValuesRow'));

const NO_CHECKS: readonly ColumnCheck[] = [];

/** The part in hand in its states, on its page; under it the other versions where they are to be compared. */
export function FramesPane({
  styled,
  trialId,
  component,
  sheet,
  grid,
  state,
  placing,
  view,
  widths,
  frames,
  look,
  untouched,
  rivals,
  onTake,
}: {
  styled: Styled;
  trialId: string;
  component: ComponentRef | undefined;
  sheet: StateSheet | undefined;
  grid: GridView;
  state: GridState;
  placing: Placing;
  view: FramesView;
  widths: ReturnType<typeof useWidths>;
  frames: ReturnType<typeof useFrameLook>;
  look: Look;
  untouched: boolean;
  rivals: Pick<ReturnType<typeof useRivals>, 'choose' | 'addAnother' | 'busy'>;
  /** Keeps a look, as one step of this name. */
  onTake: (look: Look, step: string) => void;
}) {
  const { part, partColumns, active } = grid;
  const { viewport, place } = placing;
  const selected = active.head.column;
  const { trials } = styled.component;
  const { kind, compared: comparing } = useHand();
  const { compared } = comparing;
  return (
    <>
      <Frames
        component={component}
        part={part?.name}
        columns={partColumns}
        checks={sheet?.checks ?? NO_CHECKS}
        viewport={viewport}
        place={place}
        exceptions={look.exceptions}
        view={view}
        widths={widths}
        look={frames.store}
        heatLook={view.heat ? look : undefined}
        untouched={untouched}
        selected={selected}
        onSelect={state.actions.column}
      />
      {compared && component && sheet ? (
        <ValuesRow compared={compared} parts={sheet.parts} viewport={viewport} place={place} view={view} />
      ) : null}
      {view.beside === 'versions' && component && part ? (
        <VersionRows
          versions={trials.filter(({ id }) => id !== trialId)}
          busy={rivals.busy}
          onChoose={rivals.choose}
          onAdd={rivals.addAnother}
          kind={kind}
          own={look}
          onTake={onTake}
          component={component}
          part={part.name}
          columns={partColumns}
          viewport={viewport}
          place={place}
          view={view}
          selected={selected}
        />
      ) : null}
    </>
  );
}
