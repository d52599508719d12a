import { Box, Flex, Input } from '@chakra-ui/react';
import {
  fromOklch,
  inSrgb,
  parseColour,
  toHex,
  toOklch,
  type Cell,
  type Look,
  type Oklch,
  type ViewportName,
} from '@retoque/core';
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { ComponentRef, SiteColour } from '../engine/protocol';
import type { CellAddress } from './cells';
import { colourProblem } from './colour-problem';
import { Track } from './Track';
import { usePassing } from './usePassing';

const MAX_CHROMA = 0.37;

/** Edits one colour: three OKLCH tracks that show where it passes, alpha, or any CSS colour typed. */
export function ColourEditor({
  component,
  look,
  viewport,
  address,
  cell,
  colours,
  field,
  onChange,
  onLeave,
}: {
  component: ComponentRef;
  look: Look;
  viewport: ViewportName;
  address: CellAddress;
  cell: Cell;
  colours: readonly SiteColour[];
  field: RefObject<HTMLInputElement | null>;
  /** @param gesture changes of one drag share a gesture, and are undone together */
  onChange: (value: string | undefined, gesture: string) => void;
  onLeave: () => void;
}) {
  const hue = useRef(0);
  const current = toOklch(cell.colour, hue.current);
  useEffect(() => {
    if (current.c > 0.002) hue.current = current.h;
  }, [current.c, current.h]);
  // While a thumb is held the tracks stay as they are set; mapping into sRGB must not push other thumbs about.
  const [held, setHeld] = useState<Oklch>();
  const shown = held ?? current;
  const gesture = useRef(0);
  const marks = usePassing(component, look, viewport, address, shown);

  const set = (part: Partial<Oklch>) => {
    const next = { ...shown, ...part };
    if (part.h !== undefined) hue.current = part.h;
    setHeld(next);
    onChange(toHex(fromOklch(next)), `${address.row}/${address.column}/track${gesture.current}`);
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
      <TypedColour
        key={`${address.row}/${address.column}`}
        field={field}
        value={cell.own ?? (cell.mixed ? '' : toHex(cell.colour))}
        onChange={(value) => onChange(value, `${address.row}/${address.column}/typed${gesture.current}`)}
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
                  onChange(colour.hex, `swatch${gesture.current}`);
                }}
              />
            </Box>
          ))}
        </Flex>
      ) : null}
    </Box>
  );
}

/** A text field that takes any CSS colour; what cannot be read is named and kept, and nothing is changed. */
function TypedColour({
  value,
  field,
  onChange,
  onLeave,
}: {
  value: string;
  field: RefObject<HTMLInputElement | null>;
  onChange: (value: string) => void;
  onLeave: () => void;
}) {
  const [text, setText] = useState<string>();
  const problem = text === undefined || text.trim() === '' ? undefined : colourProblem(text.trim());
  return (
    <Box>
      <Input
        ref={field}
        fontFamily="mono"
        fontSize="12.5px"
        aria-label="Colour"
        aria-invalid={Boolean(problem)}
        aria-describedby={problem ? 'colour-problem' : undefined}
        spellCheck={false}
        autoComplete="off"
        value={text ?? value}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          const typed = event.target.value;
          setText(typed);
          // A bare word may still be on its way to another one, so words wait for Enter.
          const ready = !/^[a-z]+$/i.test(typed.trim()) || parseColour(typed) !== undefined;
          if (typed.trim() && ready && !colourProblem(typed.trim())) onChange(typed.trim());
        }}
        onBlur={() => {
          if (!problem) setText(undefined);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            const typed = text?.trim();
            if (typed && !colourProblem(typed)) onChange(typed);
            if (!problem) {
              setText(undefined);
              onLeave();
            }
          } else if (event.key === 'Escape') {
            event.stopPropagation();
            setText(undefined);
            onLeave();
          }
        }}
      />
      {problem ? (
        <Box id="colour-problem" role="alert" color="short" fontSize="12px" mt="5px">
          {problem}
        </Box>
      ) : null}
    </Box>
  );
}
