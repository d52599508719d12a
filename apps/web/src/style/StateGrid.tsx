import { Box } from '@chakra-ui/react';
import { showRatio, toHex, type Cell, type Kind, type StateSheet } from '@retoque/core';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { Wedge } from '../shell/Wedge';
import type { CellAddress } from './cells';
import { checkWords } from './StateFrame';

const gridStyles = {
  overflowX: 'auto',
  bg: 'card',
  borderTop: '1px solid {colors.line}',
  '& table': { borderCollapse: 'collapse', width: '100%', tableLayout: 'fixed', minWidth: '640px' },
  '& th, & td': {
    textAlign: 'left',
    fontWeight: 400,
    height: '30px',
    borderBottom: '1px solid {colors.lineSoft}',
    padding: '0 9px',
    whiteSpace: 'nowrap',
    overflow: 'hidden',
    textOverflow: 'ellipsis',
  },
  '& td': { borderLeft: '1px solid {colors.lineSoft}' },
  '& thead th': { bg: 'sheet', fontWeight: 600, height: '32px', borderColor: 'line' },
  '& .part th, & .part td': { bg: '#fbfbfa', fontWeight: 650 },
  '& .name': { color: 'ink2', paddingLeft: '22px' },
  '& .check th': { fontStyle: 'italic' },
  '& .cell': { cursor: 'default', fontFamily: 'mono', fontSize: '11.5px', color: 'ink3', outline: 'none' },
  '& .cell[data-set]': { color: 'ink' },
  '& .cell[data-own]': { fontWeight: 700, boxShadow: 'inset 3px 0 {colors.accent}' },
  '& .cell[aria-selected=true]': { bg: '#eef5f6', boxShadow: 'inset 0 0 0 2px {colors.accent}' },
  '& .cell:focus-visible': { boxShadow: 'inset 0 0 0 2px {colors.accent}, inset 0 0 0 4px #fff' },
  '& .swatch': {
    display: 'inline-block',
    verticalAlign: '-3px',
    marginRight: '7px',
    boxShadow: 'inset 0 0 0 1px rgba(0,0,0,.22)',
  },
  '& .solid': { width: '14px', height: '14px', borderRadius: '3px' },
  // What follows another value is drawn hollow.
  '& .hollow': {
    width: '10px',
    height: '10px',
    borderRadius: '50%',
    margin: '0 9px 0 2px',
    verticalAlign: '-1px',
    bg: 'transparent!',
    borderWidth: '3px',
    borderStyle: 'solid',
    boxShadow: '0 0 0 1px rgba(0,0,0,.22)',
  },
  '& .undrawn': { fontFamily: 'body', fontSize: '11px', color: 'ink3', marginLeft: '7px', fontWeight: 400 },
  '& .short': { color: 'short', fontWeight: 650, bg: 'shortSoft' },
  '& .unsure': { color: 'unsure', fontWeight: 650, bg: 'unsureSoft' },
} as const;

/** The state sheet: a row for each property, a column for each state. Arrow keys move, Enter edits, Delete clears. */
export function StateGrid({
  kind,
  sheet,
  selected,
  onSelect,
  onEdit,
  onClear,
}: {
  kind: Kind;
  sheet: StateSheet;
  selected: CellAddress;
  onSelect: (cell: CellAddress) => void;
  onEdit: () => void;
  onClear: (cell: CellAddress) => void;
}) {
  const table = useRef<HTMLTableElement>(null);
  const columns = kind.states.map((column) => column.name);
  const rows = sheet.rows.map((row) => row.key);

  // The focus follows the selection while it is in the sheet, and never jumps there from elsewhere.
  useEffect(() => {
    const cell = table.current?.querySelector<HTMLElement>('.cell[aria-selected=true]');
    if (cell && table.current?.contains(document.activeElement)) cell.focus();
  }, [selected.row, selected.column]);

  const move = (event: KeyboardEvent) => {
    const column = columns.indexOf(selected.column);
    const row = rows.indexOf(selected.row);
    const go = (nextRow: number, nextColumn: number) => {
      event.preventDefault();
      const clamp = (value: number, length: number) => Math.max(0, Math.min(length - 1, value));
      onSelect({ row: rows[clamp(nextRow, rows.length)]!, column: columns[clamp(nextColumn, columns.length)]! });
    };
    switch (event.key) {
      case 'ArrowLeft':
        return go(row, column - 1);
      case 'ArrowRight':
        return go(row, column + 1);
      case 'ArrowUp':
        return go(row - 1, column);
      case 'ArrowDown':
        return go(row + 1, column);
      case 'Home':
        return go(event.ctrlKey ? 0 : row, 0);
      case 'End':
        return go(event.ctrlKey ? rows.length - 1 : row, columns.length - 1);
      case 'Enter':
      case 'F2':
        event.preventDefault();
        return onEdit();
      case 'Delete':
      case 'Backspace':
        event.preventDefault();
        return onClear(selected);
    }
  };

  return (
    <Box css={gridStyles}>
      <table ref={table} role="grid" aria-label="State sheet" onKeyDown={move}>
        <colgroup>
          <col style={{ width: 156 }} />
          {columns.map((column) => (
            <col key={column} />
          ))}
        </colgroup>
        <thead>
          <tr>
            <th scope="col">Part and property</th>
            {kind.states.map((column) => (
              <th key={column.name} scope="col">
                {column.label}
              </th>
            ))}
          </tr>
        </thead>
        {kind.parts.map((part) => (
          <tbody key={part.name}>
            <tr className="part">
              <th scope="rowgroup">{part.label}</th>
              {columns.map((column) => (
                <td key={column} aria-hidden="true" />
              ))}
            </tr>
            {sheet.rows
              .filter((row) => row.part === part.name)
              .map((row) => (
                <tr key={row.key}>
                  <th scope="row" className="name">
                    {row.label}
                  </th>
                  {row.cells.map((cell) => {
                    const isSelected = cell.column === selected.column && row.key === selected.row;
                    return (
                      <td
                        key={cell.column}
                        className="cell"
                        role="gridcell"
                        tabIndex={isSelected ? 0 : -1}
                        aria-selected={isSelected}
                        data-cell={`${row.key}/${cell.column}`}
                        data-set={cell.follows === undefined && cell.from !== 'nothing' ? '' : undefined}
                        data-own={cell.own !== undefined ? '' : undefined}
                        title={cellTitle(kind, cell)}
                        onClick={(event) => {
                          onSelect({ row: row.key, column: cell.column });
                          event.currentTarget.focus();
                        }}
                        onDoubleClick={onEdit}
                      >
                        <CellValue cell={cell} />
                      </td>
                    );
                  })}
                </tr>
              ))}
            {kind.demands
              .filter((demand) => demand.part === part.name)
              .map((demand) => (
                <tr key={demand.name} className="check">
                  <th scope="row" className="name">
                    {demand.label}
                  </th>
                  {columns.map((column) => {
                    const check = sheet.checks.find((item) => item.column === column && item.demand === demand.name);
                    const tone =
                      check?.verdict === 'short' ? 'short' : check?.verdict === 'unsure' ? 'unsure' : undefined;
                    return (
                      <td key={column} className={tone} title={checkWords(check)} data-check={column}>
                        {check?.measured === undefined ? (
                          check?.verdict === 'unsure' ? (
                            '? unsure'
                          ) : check ? (
                            'exempt'
                          ) : (
                            ''
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
                </tr>
              ))}
          </tbody>
        ))}
      </table>
    </Box>
  );
}

function CellValue({ cell }: { cell: Cell }) {
  const hex = toHex(cell.colour);
  const hollow = cell.follows !== undefined || cell.from === 'nothing';
  const clear = cell.colour.alpha === 0;
  return (
    <>
      <span
        className={`swatch ${hollow ? 'hollow' : 'solid'}`}
        style={hollow ? { borderColor: clear ? '#d0d0cc' : hex } : { background: clear ? CHECKER : hex }}
      />
      {cell.mixed ? 'mixed' : (cell.own ?? (clear ? 'transparent' : hex))}
      {cell.drawn ? null : <span className="undrawn">not drawn</span>}
    </>
  );
}

const CHECKER = 'repeating-conic-gradient(#fff 0 25%, #c9c9c5 0 50%) 0 0 / 8px 8px';

function cellTitle(kind: Kind, cell: Cell): string {
  const follows = kind.states.find((column) => column.name === cell.follows);
  if (cell.own !== undefined) return 'Set by you. Delete clears it.';
  if (follows) return `Follows ${follows.label}`;
  return cell.site
    ? `Set by your site: ${cell.site.selector}, ${cell.site.sheet}:${cell.site.line}`
    : 'Not set; the browser decides';
}
