import {
  showRatio,
  type ColumnCheck,
  type SheetPart,
  type SheetRow,
  type StateColumn,
  type StateSheet,
} from '@retoque/core';
import { ChevronRight } from 'lucide-react';
import {
  memo,
  useEffect,
  useMemo,
  useRef,
  type CSSProperties,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import { Tally, Wedge } from '../../shell/Wedge';
import { CellValue, cellTitle } from './CellValue';
import type { CellAddress } from '../look/cells';
import { checkWords } from '../checks/checkWords';
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

export interface GridActions {
  readonly select: (selection: Selection) => void;
  readonly edit: () => void;
  readonly clear: () => void;
  readonly togglePart: (part: string) => void;
  readonly toggleWhole: (part: string) => void;
}

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

function PartRow({
  part,
  isOpen,
  isCurrent,
  isWhole,
  searching,
  actions,
}: {
  part: SheetPart;
  isOpen: boolean;
  isCurrent: boolean;
  isWhole: boolean;
  searching: boolean;
  actions: GridActions;
}) {
  return (
    <tr role="row" className="part" data-current={isCurrent ? '' : undefined}>
      <th role="rowheader" scope="rowgroup">
        <span className="head">
          <button
            type="button"
            className="fold"
            aria-expanded={isOpen}
            onClick={() => actions.togglePart(part.name)}
            title={`${part.selector}${part.pseudo ? `::${part.pseudo}` : ''}`}
          >
            <ChevronRight aria-hidden="true" />
            {part.label}
            <span className="count">{part.reach > 1 ? part.reach : ''}</span>
          </button>
          {part.short || part.unsure ? (
            <span className="tally">
              <Tally short={part.short} unsure={part.unsure} />
            </span>
          ) : null}
          {part.settings ? (
            <span
              className="set"
              title={`${part.settings} ${part.settings === 1 ? 'value is' : 'values are'} set by you`}
            />
          ) : null}
          {isOpen && !searching ? (
            <button
              type="button"
              className="whole"
              aria-pressed={isWhole}
              onClick={() => actions.toggleWhole(part.name)}
            >
              {isWhole ? 'Only what matters first' : 'All properties'}
            </button>
          ) : null}
        </span>
      </th>
    </tr>
  );
}

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

const ValueRow = memo(function ValueRow({ row, names, rangeColumns, headColumn, anchorRef, actions }: ValueRowProps) {
  const { part } = row;
  const { key, label, properties, under, shorthand } = row.row;
  return (
    <tr role="row">
      <th
        role="rowheader"
        scope="row"
        className="name"
        data-under={under ? '' : undefined}
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
            <CellValue cell={cell} isColour={row.row.editor === 'colour'} />
          </td>
        );
      })}
      <td role="gridcell" className="none" />
    </tr>
  );
});

function CheckRow({
  label,
  demand,
  columns,
  checks,
}: {
  label: string;
  demand: string;
  columns: readonly string[];
  checks: readonly ColumnCheck[];
}) {
  return (
    <tr role="row" className="check" data-demand={demand}>
      <th role="rowheader" scope="row" className="name">
        {label}
      </th>
      {columns.map((column) => {
        const check = checks.find((item) => item.column === column);
        if (!check) return <td key={column} role="gridcell" className="none" />;
        const tone = check.verdict === 'short' ? 'short' : check.verdict === 'unsure' ? 'unsure' : undefined;
        return (
          <td key={column} role="gridcell" className={tone} title={checkWords(check)} data-check={column}>
            {check.measured === undefined ? (
              check.verdict === 'unsure' ? (
                '? unsure'
              ) : (
                'exempt'
              )
            ) : check.verdict === 'short' ? (
              <>
                <Wedge /> {showRatio(check.measured)} <small>of {check.needed}</small>
              </>
            ) : (
              `✓ ${showRatio(check.measured)}`
            )}
          </td>
        );
      })}
      <td role="gridcell" className="none" />
    </tr>
  );
}
