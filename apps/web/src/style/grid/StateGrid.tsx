import type { StateColumn, StateSheet } from '@retoque/core';
import {
  useEffect,
  useMemo,
  useRef,
  type CSSProperties,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import { CheckRow } from './CheckRow';
import type { GridActions } from './grid-actions';
import { PartRow } from './PartRow';
import { ValueRow } from './ValueRow';
import { onPointed, pointAt } from '../frames/pointed';
import { step, type Range, type Selection, type ShownRow } from './selection';

/** Widths in CSS pixels: of the names, the least of a state, and of what adds one. */
const NAME_WIDTH = 140;
const COLUMN_WIDTH = 96;
const MORE_WIDTH = 34;
/** In CSS pixels, with the line below it. */
const ROW_HEIGHT = 30;

const columnWidths = (columns: number) =>
  ({
    '--columns': `${NAME_WIDTH}px repeat(${columns}, minmax(${COLUMN_WIDTH}px, 1fr)) ${MORE_WIDTH}px`,
  }) as CSSProperties;

/**
 * The state sheet: a row for each part and property, a column for each state. Arrow keys move, with Shift they select
 * a range; Enter edits, Delete clears.
 */
export function StateGrid({
  sheet,
  shown,
  columns,
  unfolded,
  whole,
  selection,
  range,
  currentParts,
  searching,
  demands,
  addState,
  actions,
}: {
  sheet: StateSheet;
  /** Rows as they are shown, in order. */
  shown: readonly ShownRow[];
  columns: readonly StateColumn[];
  unfolded: ReadonlySet<string>;
  whole: ReadonlySet<string>;
  selection: Selection;
  range: Range;
  /** The part whose frames are shown. */
  currentParts: string;
  searching: boolean;
  demands: readonly { readonly name: string; readonly label: string; readonly part: string }[];
  addState: ReactNode;
  actions: GridActions;
}) {
  const table = useRef<HTMLTableElement>(null);
  const names = useMemo(() => columns.map((column) => column.name), [columns]);
  const { head } = selection;

  // The focus follows the selection while it is in the sheet, and never jumps there from elsewhere.
  useEffect(() => {
    const cell = table.current?.querySelector<HTMLElement>('.cell[data-head]');
    const active = document.activeElement;
    if (cell && table.current?.contains(active) && active?.matches('.cell')) cell.focus();
  }, [head.part, head.row, head.column]);

  const move = (event: KeyboardEvent) => {
    if (!(event.target as HTMLElement).matches('.cell')) return;
    const go = (down: number, across: number) => {
      event.preventDefault();
      const next = step(head, shown, names, down, across);
      actions.select(event.shiftKey ? { ...selection, head: next } : { anchor: next, head: next });
    };
    const far = shown.length + names.length;
    switch (event.key) {
      case 'ArrowLeft':
        return go(0, -1);
      case 'ArrowRight':
        return go(0, 1);
      case 'ArrowUp':
        return go(-1, 0);
      case 'ArrowDown':
        return go(1, 0);
      case 'Home':
        return go(event.ctrlKey ? -far : 0, -far);
      case 'End':
        return go(event.ctrlKey ? far : 0, far);
      case 'Enter':
      case 'F2':
        event.preventDefault();
        return actions.edit();
      case 'Delete':
      case 'Backspace':
        event.preventDefault();
        return actions.clear();
    }
  };

  const room = useRef<HTMLDivElement>(null);
  const least = NAME_WIDTH + columns.length * COLUMN_WIDTH + MORE_WIDTH;
  // Only a sheet that is too wide scrolls by itself; the head of any other stays in sight.
  useEffect(() => {
    const holder = room.current;
    if (!holder) return;
    const observer = new ResizeObserver(() => holder.toggleAttribute('data-wide', holder.clientWidth < least));
    observer.observe(holder);
    return () => observer.disconnect();
  }, [least]);
  useEffect(
    () =>
      onPointed((pointed) => {
        for (const node of table.current?.querySelectorAll('[data-pointed]') ?? [])
          node.removeAttribute('data-pointed');
        if (!pointed) return;
        const { part, column } = pointed;
        const marked = `[data-part="${CSS.escape(part)}"] .part, thead [data-column="${CSS.escape(column)}"]`;
        for (const node of table.current?.querySelectorAll(marked) ?? []) node.setAttribute('data-pointed', '');
      }),
    [],
  );
  const pointOver = (event: PointerEvent) => {
    const target = event.target as HTMLElement;
    const part = target.closest<HTMLElement>('[data-part]')?.dataset.part;
    const cell = target.closest<HTMLElement>('[data-cell]')?.dataset.cell;
    pointAt(part === undefined ? undefined : { part, column: cell?.split('/')[1] ?? '' });
  };

  const inRange = new Set(range.rows.map((row) => `${row.part}/${row.row}`));
  const rangeColumns = useMemo(() => new Set(range.columns), [range.columns]);
  const isShown = new Set(shown.map((row) => `${row.part}/${row.row}`));
  return (
    <div ref={room} className="state-grid" onPointerOver={pointOver} onPointerLeave={() => pointAt(undefined)}>
      <table
        ref={table}
        style={{ minWidth: least, ...columnWidths(columns.length) }}
        role="grid"
        aria-label="State sheet"
        aria-multiselectable="true"
        onKeyDown={move}
      >
        <thead role="rowgroup">
          <tr role="row">
            <th role="columnheader" scope="col">
              Part and property
            </th>
            {columns.map((column) => (
              <th
                key={column.name}
                role="columnheader"
                scope="col"
                data-column={column.name}
                title={column.pseudo || 'at rest'}
              >
                {column.label}
              </th>
            ))}
            <th role="columnheader" className="more">
              {addState}
            </th>
          </tr>
        </thead>
        {sheet.parts.map((part) => {
          const isOpen = unfolded.has(part.name);
          const rows = sheet.rows.filter((row) => row.part === part.name && isShown.has(`${part.name}/${row.row.key}`));
          if (searching && !rows.length) return null;
          const own = isOpen && !searching ? demands.filter((demand) => demand.part === part.name) : [];
          const height = (1 + (isOpen ? rows.length + own.length : 0)) * ROW_HEIGHT;
          return (
            <tbody
              key={part.name}
              role="rowgroup"
              data-part={part.name}
              // As high as it will be, so that a part that is not looked at need not be laid out.
              style={{ containIntrinsicBlockSize: height }}
            >
              <PartRow
                part={part}
                isOpen={isOpen}
                isCurrent={part.name === currentParts}
                isWhole={whole.has(part.name)}
                searching={searching}
                actions={actions}
              />
              {isOpen
                ? rows.map((row) => {
                    const selected = inRange.has(`${part.name}/${row.row.key}`);
                    const holdsHead = head.part === part.name && head.row === row.row.key;
                    return (
                      <ValueRow
                        key={row.row.key}
                        row={row}
                        names={names}
                        rangeColumns={selected ? rangeColumns : undefined}
                        headColumn={holdsHead ? head.column : undefined}
                        actions={actions}
                        selection={selected || holdsHead ? selection : undefined}
                        anchorRef={selection.anchor}
                      />
                    );
                  })
                : null}
              {own.map((demand) => (
                <CheckRow
                  key={demand.name}
                  label={demand.label}
                  demand={demand.name}
                  columns={names}
                  checks={sheet.checks.filter((check) => check.demand === demand.name)}
                />
              ))}
            </tbody>
          );
        })}
      </table>
    </div>
  );
}
