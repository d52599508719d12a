import type { SheetRow } from '@retoque/core';
import { memo } from 'react';
import type { CellAddress } from '../look/cells';
import { CellValue, cellTitle } from './CellValue';
import type { GridActions } from './grid-actions';
import type { Selection } from './selection';

interface ValueRowProps {
  readonly row: SheetRow;
  readonly names: readonly string[];
  /** Columns that are selected in this row; undefined where none is. */
  readonly rangeColumns: ReadonlySet<string> | undefined;
  readonly headColumn: string | undefined;
  readonly selection: Selection | undefined;
  readonly anchorRef: CellAddress;
  readonly actions: GridActions;
}

/** One property of a part in every state. */
export const ValueRow = memo(function ValueRow({
  row,
  names,
  rangeColumns,
  headColumn,
  anchorRef,
  actions,
}: ValueRowProps) {
  const { part } = row;
  const { key, label, group, properties, under, shorthand } = row.row;
  return (
    <tr role="row">
      <th
        role="rowheader"
        scope="row"
        className="name"
        data-under={under ? '' : undefined}
        data-script={group === 'Behaviour' ? '' : undefined}
        title={shorthand ?? properties.join(', ')}
      >
        {label}
      </th>
      {names.map((name) => {
        const cell = row.cells.find((item) => item.column === name);
        if (!cell?.applies) return <td key={name} role="gridcell" className="none" aria-label="Not in this state" />;
        const isHead = headColumn === name;
        const address = { part, row: key, column: name };
        return (
          <td
            key={name}
            className="cell"
            role="gridcell"
            tabIndex={isHead ? 0 : -1}
            aria-selected={rangeColumns?.has(name) ?? false}
            data-head={isHead ? '' : undefined}
            data-cell={`${key}/${name}`}
            data-set={cell.follows === undefined && cell.from !== 'nothing' && !cell.followsPlace ? '' : undefined}
            data-own={cell.own !== undefined ? '' : undefined}
            data-muted={cell.muted ? '' : undefined}
            data-place={cell.followsPlace}
            title={cellTitle(cell)}
            onPointerDown={(event) => {
              if (event.button !== 0) return;
              event.currentTarget.focus();
              actions.select(
                event.shiftKey ? { anchor: anchorRef, head: address } : { anchor: address, head: address },
              );
            }}
            onPointerEnter={(event) => {
              if (event.buttons === 1) actions.select({ anchor: anchorRef, head: address });
            }}
            onDoubleClick={actions.edit}
          >
            <CellValue cell={cell} row={row.row} />
          </td>
        );
      })}
      <td role="gridcell" className="none" />
    </tr>
  );
});
