import {
  fromOklch,
  inSrgb,
  toHex,
  toOklch,
  TRANSPARENT,
  type Cell,
  type Look,
  type Oklch,
  type Row,
  type StateSheet,
} from '@retoque/core';
import { useRef, useState, type RefObject } from 'react';
import type { ComponentRef, SheetQuery, SiteColour } from '../engine/protocol';
import { useSteady } from '../shell/useSteady';
import type { CellAddress } from './cells';
import { ColourTracks } from './ColourTracks';
import { SiteColours } from './SiteColours';
import { TypedValue } from './TypedValue';
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
  // A grey has no hue of its own, so the last one is remembered.
  const [hue, setHue] = useState(0);
  const current = toOklch(cell.colour ?? TRANSPARENT, hue);
  if (current.c > 0.002 && current.h !== hue) setHue(current.h);
  // While a thumb is held the tracks stay as they are set; mapping into sRGB must not push other thumbs about.
  const [held, setHeld] = useState<Oklch>();
  const shown = held ?? current;
  const gesture = useRef(0);
  const marks = usePassing(component, lookNow, sheet, query, address, shown);

  const key = `${address.part}/${address.row}/${address.column}`;
  const everySide = (value: string) => Object.fromEntries(row.properties.map((property) => [property, value]));
  const set = (part: Partial<Oklch>) => {
    const next = { ...shown, ...part };
    if (part.h !== undefined) setHue(part.h);
    setHeld(next);
    onChange(everySide(toHex(fromOklch(next))), `${key}/track${gesture.current}`);
  };
  const finish = () => {
    gesture.current++;
    setHeld(undefined);
  };
  const choose = useSteady((hex: string) => {
    gesture.current++;
    onChange(everySide(hex), `swatch${gesture.current}`);
  });
  const change = useSteady(set);
  const end = useSteady(finish);
  return (
    <div>
      <ColourTracks colour={shown} passing={marks} onChange={change} onFinish={end} />
      <div className="small" style={{ marginBottom: 9 }}>
        {held && !inSrgb(held)
          ? 'Outside what screens show; brought to the nearest colour.'
          : 'Solid line under a track: where it passes.'}
      </div>
      <TypedValue
        key={key}
        label="Colour"
        row={row}
        field={field}
        value={cell.own ?? (cell.mixed || !cell.colour ? '' : toHex(cell.colour))}
        onChange={(values) => onChange(values, `${key}/typed${gesture.current}`)}
        onLeave={() => {
          gesture.current++;
          onLeave();
        }}
      />
      {colours.length ? <SiteColours colours={colours} onChoose={choose} /> : null}
    </div>
  );
}
