import { partNamed, type Cell, type CheckRef, type Exception, type Row, type StateSheet, lookup } from '@retoque/core';
import { useMemo, useRef, useState, type ReactNode, type RefObject } from 'react';
import { late } from '../../shell/late';
import type { LedgerQuery, SiteColour } from '../../engine/protocol';
import { useSteady } from '../../shell/useSteady';
import { Button } from '../../theme/Button';
import { columnLabel, followWords, plainText, type CellAddress } from '../look/cells';
import { servedTogether } from '../look/shared-rule';
import { CompareValues } from './CompareValues';
import { ColourEditor } from './ColourEditor';
import { EDITORS } from './values';
import { useHand } from './hand';
import { Measure } from './Measure';
import { Reasons } from './Reasons';
import { reader } from '../grid/reading';
import { SiteSourceNote } from './SiteSourceNote';
import { TypedValue } from './TypedValue';

/** What the site uses, to choose from. */
export interface SiteValues {
  readonly colours: readonly SiteColour[];
  readonly families: readonly string[];
}

/** What an edit does to the selected cells. */
interface Edits {
  readonly setSelected: (values: Readonly<Record<string, string>>, gesture: string) => void;
  readonly clear: () => void;
  readonly mute: () => void;
  readonly takeAlong: (parts: readonly string[]) => void;
  readonly setAlso: (columns: readonly string[]) => void;
}

/** The editor of the chosen cell: its value, what it is measured at, and where the site has it from. */
export function Editor({
  sheet,
  address,
  row,
  cell,
  selectedCount,
  site,
  field,
  partNote,
  edits,
  onApart,
  onLeave,
}: {
  sheet: StateSheet;
  address: CellAddress;
  row: Row;
  cell: Cell;
  /** How many cells are selected with it. */
  selectedCount: number;
  site: SiteValues;
  field: RefObject<HTMLInputElement | null>;
  partNote: ReactNode;
  edits: Edits;
  /** Sets some elements of a part apart from the rest. */
  onApart: (exception: Exception) => void;
  onLeave: () => void;
}) {
  const { kind, component, lookNow, query, viewport } = useHand();
  const { colours, families } = site;
  const gesture = useRef(0);
  const Own = EDITORS[row.editor];
  const checks = sheet.checks.filter((check) => check.part === address.part && check.column === address.column);
  const part = partNamed(kind, address.part)?.label ?? address.part;
  // Some of the component's own text, to show fonts with.
  const words = sheet.checks.find((check) => check.part === address.part && check.worstText)?.worstText ?? '';
  const key = `${address.part}/${address.row}/${address.column}`;
  const hexes = useMemo(() => colours.map(({ hex }) => hex), [colours]);
  // What was set since the sheet was worked out; edits that follow fast build upon one another.
  const [ahead, setAhead] = useState<{ sheet: StateSheet; values: Readonly<Record<string, string>> }>();
  const fresh = ahead?.sheet === sheet ? ahead.values : NOTHING;
  const change = (values: Readonly<Record<string, string>>) => {
    setAhead({ sheet, values: { ...fresh, ...values } });
    edits.setSelected(values, `${key}/typed${gesture.current}`);
  };
  const settle = useSteady(() => {
    gesture.current++;
  });
  const withFresh = (other: Row, text: string) =>
    fresh === NOTHING ? text : (reader()?.withFresh(other, text, fresh) ?? text);
  const valueOf = (name: string): string => {
    const other = sheet.rows.find((item) => item.part === address.part && item.row.key === name);
    const own = other?.cells.find((item) => item.column === address.column);
    const text = own ? (own.own ?? own.computed) : '';
    return other ? plainText(other.row, withFresh(other.row, text)) : text;
  };
  const value = plainText(row, withFresh(row, cell.own ?? cell.computed));
  const differs = cell.own === undefined ? cell.differs : undefined;
  const cells = sheet.rows.find((item) => item.part === address.part && item.row.key === row.key)?.cells ?? [];
  const together = servedTogether(cells, address.column);
  const sheetPart = sheet.parts.find(({ name }) => name === address.part);
  return (
    <>
      <div className="editor-head">
        <h2>
          {row.label}, {columnLabel(address.column).toLowerCase()}
        </h2>
        {cell.own !== undefined ? (
          <>
            <Button variant="quiet" size="s" title="See it without this value (M)" onClick={edits.mute}>
              {cell.muted ? 'Switch on' : 'Switch off'}
            </Button>
            <Button variant="quiet" size="s" title="Back to what it follows (Delete)" onClick={edits.clear}>
              Clear
            </Button>
          </>
        ) : null}
      </div>
      <div className="follows">
        {selectedCount > 1 ? `${selectedCount} cells are selected, and all of them take the value. ` : ''}
        {followWords(kind, address.part, cell, row.usual)} <code>{row.shorthand ?? row.properties.join(', ')}</code>
      </div>
      {row.editor === 'colour' ? (
        <ColourEditor
          component={component}
          lookNow={lookNow}
          sheet={sheet}
          query={query}
          address={address}
          row={row}
          cell={cell}
          colours={colours}
          field={field}
          onChange={edits.setSelected}
          onLeave={onLeave}
        />
      ) : (
        <>
          <TypedValue
            key={`typed ${key}`}
            label="Value"
            row={row}
            field={field}
            value={differs && fresh === NOTHING ? '' : value}
            onChange={change}
            onLeave={() => {
              settle();
              onLeave();
            }}
          />
          {Own ? (
            <div className="fitted" key={`fitted ${key}`}>
              <Own
                row={row}
                value={value}
                valueOf={valueOf}
                colours={hexes}
                families={families}
                words={words}
                onChange={change}
                onSettle={settle}
              />
            </div>
          ) : null}
        </>
      )}
      <CompareValues address={address} row={row} cell={cell} value={value} />
      {differs && sheetPart ? <Differs part={sheetPart} values={differs} onApart={onApart} /> : null}
      {cell.own !== undefined && !cell.drawn ? <NotDrawn row={row} onDraw={change} /> : null}
      {together.length ? <SharedRule columns={together} onTake={edits.setAlso} /> : null}
      {row.key === 'text' && cell.own !== undefined && !cell.muted ? (
        <TakeAlong
          component={component}
          viewport={viewport}
          cell={address}
          parts={sheet.parts}
          onTake={edits.takeAlong}
        />
      ) : null}
      {sheet.notes.length ? (
        <div className="section quiet" data-testid="sheet-notes">
          {sheet.notes.map((note) => (
            <p key={note}>{note}</p>
          ))}
        </div>
      ) : null}
      {checks.map((check) => (
        <div key={check.demand} className="section">
          <Measure check={check} />
          {check.verdict === 'short' ? <Helped key={`${key} ${check.demand}`} check={check} /> : null}
        </div>
      ))}
      <div className="section">
        {row.group === 'Behaviour' ? (
          <p className="quiet">A setting of the script. It goes with the CSS, as a custom property.</p>
        ) : (
          <>
            <SiteSourceNote cell={cell} />
            <Reasons component={component} viewport={viewport} cell={address} replaced={cell.from === 'look'} />
          </>
        )}
      </div>
      <div className="section" aria-label={`Where ${part} is`}>
        {partNote}
      </div>
    </>
  );
}

const NOTHING: Readonly<Record<string, string>> = lookup({});

/** Suggested fixes of a check, looked for when they are asked for, since that tries the whole component many times over. */
function Helped({ check: { part, column, demand } }: { check: CheckRef }) {
  const { component, look, query, measured, viewport, onTry, onApply } = useHand();
  const [isOpen, setOpen] = useState(false);
  const { place, added } = query;
  const ledgerQuery = useMemo((): LedgerQuery => ({ place, added, measured }), [place, added, measured]);
  const check = useMemo((): CheckRef => ({ part, column, demand }), [part, column, demand]);
  return (
    <div className="helped">
      <Button variant="quiet" size="s" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        Suggested fixes
      </Button>
      {isOpen ? (
        <WaysOut
          component={component}
          look={look}
          query={ledgerQuery}
          check={check}
          at={viewport}
          onTry={onTry}
          onApply={onApply}
        />
      ) : null}
    </div>
  );
}

const WaysOut = late(() => import('../../ledger/WaysOut'), <p className="small">Looking for fixes…</p>);
const TakeAlong = late(() => import('./TakeAlong'));
const Differs = late(() => import('./Differs'));
const NotDrawn = late(() => import('./NotDrawn'));
const SharedRule = late(() => import('./SharedRule'));
