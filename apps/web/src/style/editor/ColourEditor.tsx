import {
  fromOklch,
  toHex,
  TRANSPARENT,
  type Cell,
  type Look,
  type Oklch,
  type Row,
  type StateSheet,
  COLOUR_FORMATS,
  formatColour,
  formatOf,
  parseColour,
  swatchText,
  type ColourFormat,
  type Rgba,
} from '@retoque/core';
import { useRef, useState, type RefObject } from 'react';
import type { ComponentRef, SheetQuery, SiteColour } from '../../engine/protocol';
import { useSteady } from '../../shell/useSteady';
import type { CellAddress } from '../look/cells';
import { colourFormat, recentColours, rememberColour, rememberFormat } from './colour-memory';
import { ColourTracks } from './ColourTracks';
import { ScreenPicker } from './ScreenPicker';
import { SiteColours } from './SiteColours';
import { TypedValue } from './TypedValue';
import { PaletteChoices } from './PaletteChoices';
import { useSwatches } from '../look/swatch-names';
import { useHeldColour } from './useHeldColour';
import { usePassing } from './usePassing';

/** Edits one colour: three OKLCH tracks that show where it passes, alpha, or any CSS colour typed. */
export function ColourEditor({
  component,
  lookNow,
  sheet,
  query,
  address,
  row,
  cell,
  colours,
  field,
  onChange,
  onLeave,
}: {
  component: ComponentRef;
  lookNow: () => Look;
  sheet: StateSheet;
  query: SheetQuery;
  address: CellAddress;
  row: Row;
  cell: Cell;
  colours: readonly SiteColour[];
  field: RefObject<HTMLInputElement | null>;
  /** @param gesture changes of one drag share a gesture, and are undone together */
  onChange: (values: Readonly<Record<string, string>>, gesture: string) => void;
  onLeave: () => void;
}) {
  const { shown, held, hue, isOutside, move, release } = useHeldColour(cell.colour ?? TRANSPARENT);
  const gesture = useRef(0);
  const swatches = useSwatches();
  const typed = useRef<string>(undefined);
  const marks = usePassing(component, lookNow, sheet, query, address, shown);

  const key = `${address.part}/${address.row}/${address.column}`;
  const everySide = (value: string) => Object.fromEntries(row.properties.map((property) => [property, value]));
  const [format, setFormat] = useState(colourFormat);
  const [recent, setRecent] = useState(recentColours);
  const write = (colour: Rgba) => formatColour(colour, format, hue);
  const set = (part: Partial<Oklch>) => {
    onChange(everySide(write(fromOklch(move(part)))), `${key}/track${gesture.current}`);
  };
  /** What comes next is another step, and what was chosen is remembered. */
  const settle = () => {
    gesture.current++;
    // The sheet may not have come to what was typed last.
    const last = typed.current === undefined ? cell.own && cell.colour : parseColour(typed.current);
    typed.current = undefined;
    const chosen = held ? fromOklch(held) : last;
    if (chosen) setRecent(rememberColour(toHex(chosen)));
  };
  const finish = () => {
    settle();
    release();
  };
  const choose = useSteady((hex: string) => {
    gesture.current++;
    onChange(everySide(write(parseColour(hex)!)), `${key}/chosen${gesture.current}`);
    setRecent(rememberColour(hex));
  });
  const change = useSteady(set);
  const end = useSteady(finish);
  const text = cell.own ?? (cell.mixed || cell.differs || !cell.colour ? '' : write(cell.colour));
  // What is written in another way is shown in the one that was asked for; names and variables stay as they are.
  const written = formatOf(text);
  const asked = written && written !== format && cell.colour && text ? write(cell.colour) : text;
  return (
    <div>
      <ColourTracks colour={shown} passing={marks} onChange={change} onFinish={end} />
      <div className="small" style={{ marginBottom: 9 }}>
        {isOutside
          ? 'Outside what screens show; brought to the nearest colour.'
          : 'Solid line under a track: where it passes.'}
      </div>
      <div className="colour-line">
        <TypedValue
          key={key}
          label="Colour"
          row={row}
          field={field}
          value={asked}
          onChange={(values) => {
            typed.current = values[row.properties[0]!];
            onChange(values, `${key}/typed${gesture.current}`);
          }}
          onLeave={() => {
            settle();
            onLeave();
          }}
        />
        <select
          aria-label="Written as"
          value={format}
          onChange={(event) => {
            const next = event.target.value as ColourFormat;
            setFormat(next);
            rememberFormat(next);
          }}
        >
          {COLOUR_FORMATS.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
        <ScreenPicker onPick={choose} />
      </div>
      {swatches.length ? (
        <PaletteChoices
          swatches={swatches}
          current={cell.own}
          onChoose={(id) => {
            gesture.current++;
            onChange(everySide(swatchText(id)), `${key}/swatch${gesture.current}`);
          }}
        />
      ) : null}
      {colours.length ? <SiteColours label="Colours of this site" colours={colours} onChoose={choose} /> : null}
      {recent.length ? (
        <>
          <div className="small used-last">Used last</div>
          <SiteColours label="Colours used last" colours={recent.map((hex) => ({ hex }))} onChoose={choose} />
        </>
      ) : null}
    </div>
  );
}
