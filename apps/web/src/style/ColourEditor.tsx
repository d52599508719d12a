import { Box, Flex } from '@chakra-ui/react';
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
} from '@retoque/core';
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { ComponentRef, SheetQuery, SiteColour } from '../engine/protocol';
import type { CellAddress } from './cells';
import { Track } from './Track';
import { TypedValue } from './TypedValue';
import { usePassing } from './usePassing';

const MAX_CHROMA = 0.37;

/** Edits one colour: three OKLCH tracks that show where it passes, alpha, or any CSS colour typed. */
export function ColourEditor({
  component,
  look,
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
  look: Look;
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
  const hue = useRef(0);
  const current = toOklch(cell.colour ?? TRANSPARENT, hue.current);
  useEffect(() => {
    if (current.c > 0.002) hue.current = current.h;
  }, [current.c, current.h]);
  // While a thumb is held the tracks stay as they are set; mapping into sRGB must not push other thumbs about.
  const [held, setHeld] = useState<Oklch>();
  const shown = held ?? current;
  const gesture = useRef(0);
  const marks = usePassing(component, look, query, address, shown);

  const key = `${address.part}/${address.row}/${address.column}`;
  const everySide = (value: string) => Object.fromEntries(row.properties.map((property) => [property, value]));
  const set = (part: Partial<Oklch>) => {
    const next = { ...shown, ...part };
    if (part.h !== undefined) hue.current = part.h;
    setHeld(next);
    onChange(everySide(toHex(fromOklch(next))), `${key}/track${gesture.current}`);
  };
  const finish = () => {
    gesture.current++;
    setHeld(undefined);
  };
  const ramp = (make: (at: number) => Oklch) =>
    `linear-gradient(90deg, ${Array.from({ length: 13 }, (_, i) => toHex(fromOklch(make(i / 12)))).join(', ')})`;
  const opaque = { ...shown, alpha: 1 };
  return (
    <Box>
      <Track
        label="Lightness"
        value={shown.l}
        max={1}
        step={0.01}
        shown={shown.l.toFixed(3)}
        ground={ramp((l) => ({ ...opaque, l }))}
        passing={marks?.l}
        onChange={(l) => set({ l })}
        onFinish={finish}
      />
      <Track
        label="Chroma"
        value={shown.c}
        max={MAX_CHROMA}
        step={0.005}
        shown={shown.c.toFixed(3)}
        ground={ramp((at) => ({ ...opaque, c: at * MAX_CHROMA }))}
        passing={marks?.c}
        onChange={(c) => set({ c })}
        onFinish={finish}
      />
      <Track
        label="Hue"
        value={shown.h}
        max={360}
        step={1}
        shown={String(Math.round(shown.h))}
        ground={ramp((at) => ({ ...opaque, h: at * 360 }))}
        passing={marks?.h}
        onChange={(h) => set({ h })}
        onFinish={finish}
      />
      <Track
        label="Opacity"
        value={shown.alpha}
        max={1}
        step={0.01}
        shown={`${Math.round(shown.alpha * 100)}%`}
        ground={`linear-gradient(90deg, transparent, ${toHex(fromOklch(opaque))}), repeating-conic-gradient(#fff 0 25%, #c9c9c5 0 50%) 0 0 / 8px 8px`}
        onChange={(alpha) => set({ alpha })}
        onFinish={finish}
      />
      <Box color="ink2" fontSize="12px" mb="9px">
        {held && !inSrgb(held)
          ? 'Outside what screens show; brought to the nearest colour.'
          : 'Solid line under a track: where it passes.'}
      </Box>
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
      {colours.length ? (
        <Flex gap="5px" mt="10px" flexWrap="wrap" role="group" aria-label="Colours of this site">
          {colours.map((colour) => (
            <Box
              key={colour.hex}
              asChild
              width="24px"
              height="24px"
              borderRadius="m"
              boxShadow="inset 0 0 0 1px rgba(0,0,0,.2)"
              cursor="pointer"
              _focusVisible={{ outline: '2px solid {colors.accent}', outlineOffset: '2px' }}
            >
              <button
                type="button"
                style={{ background: colour.hex }}
                title={`${colour.name ?? colour.hex}, used ${colour.uses} times`}
                aria-label={`Use ${colour.name ?? colour.hex}`}
                onClick={() => {
                  gesture.current++;
                  onChange(everySide(colour.hex), `swatch${gesture.current}`);
                }}
              />
            </Box>
          ))}
        </Flex>
      ) : null}
    </Box>
  );
}
