import type { Look } from '@retoque/core';
import type { ComponentRef } from '../../engine/protocol';
import type { GridView } from '../grid/useGridView';
import { EditingBar } from './EditingBar';
import { Exceptions } from './Exceptions';
import type { Styled } from './useOpened';
import type { Placing, useExceptions } from './usePlace';

/** Where one is editing, with the members that differ. */
export function ScopeBar({
  styled: { site, page },
  component,
  placing,
  grid: { active, part },
  look,
  exceptions,
  taken,
}: {
  styled: Styled;
  component: ComponentRef;
  placing: Placing;
  grid: GridView;
  look: Look;
  exceptions: ReturnType<typeof useExceptions>;
  /** Names and labels that parts have already. */
  taken: ReadonlySet<string>;
}) {
  return (
    <EditingBar
      siteId={site.id}
      bounds={site.bounds}
      viewport={placing.viewport}
      place={placing.place}
      pageName={page.name}
      pageId={page.id}
      exceptionsOfLook={look.exceptions}
      part={active.head.part}
      onViewport={placing.setViewport}
      onPlace={placing.changePlace}
      exceptions={
        part ? (
          <Exceptions
            component={component}
            part={part.name}
            partLabel={part.label}
            reach={part.reach}
            look={look}
            taken={taken}
            onSplit={exceptions.split}
            onAdd={exceptions.add}
            onRemove={exceptions.remove}
          />
        ) : null
      }
    />
  );
}
