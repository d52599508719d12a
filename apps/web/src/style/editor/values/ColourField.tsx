import {
  colourAsSaid,
  fromOklch,
  namesSwatch,
  parseColour,
  replaceSwatches,
  swatchText,
  toHex,
  TRANSPARENT,
  type Oklch,
} from '@retoque/core';
import { useId, useState } from 'react';
import { namedSwatch, swatchWords, useSwatches } from '../../look/swatch-names';
import { PaletteChoices } from '../PaletteChoices';
import { useShownColours } from './useShownColours';
import { withColour } from './with-colour';
import { ColourTracks } from '../ColourTracks';
import { SiteColours } from '../SiteColours';
import { useHeldColour } from '../useHeldColour';

/** A colour among other values: its text, and tracks that open below it. */
export function ColourField({
  label,
  value,
  colours,
  onChange,
  onSettle,
}: {
  label: string;
  value: string;
  colours: readonly string[];
  onChange: (text: string) => void;
  onSettle: () => void;
}) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState<string>();
  const swatches = useSwatches();
  const inColours = useShownColours();
  const asSaid = (text: string) => {
    const named = namedSwatch(text, swatches);
    return named === text ? colourAsSaid(text) : named;
  };
  const said = typed === undefined ? undefined : asSaid(typed);
  const isColour = (text: string) => parseColour(inColours(text)) !== undefined || /^currentcolor$/i.test(text);
  const problem = said !== undefined && said !== '' && !isColour(said) ? `“${typed}” is not a CSS colour.` : undefined;
  const { shown, isOutside, move, release } = useHeldColour(parseColour(inColours(value)) ?? TRANSPARENT);
  // More or less of a colour of the palette is still that colour.
  const dragged = (part: Partial<Oklch>) => {
    const colour = fromOklch(move(part));
    const isFade = Object.keys(part).join() === 'alpha' && namesSwatch(value);
    return isFade
      ? replaceSwatches(value, ({ id }) => swatchText(id, colour.alpha < 1 ? colour.alpha : undefined))
      : toHex(colour);
  };
  return (
    <div className="colour-field">
      <div className="line">
        <button
          type="button"
          className="chip"
          aria-label={`${label}: ${open ? 'close the tracks' : 'open the tracks'}`}
          aria-expanded={open}
          style={withColour(inColours(value))}
          onClick={() => setOpen(!open)}
        />
        <input
          id={id}
          aria-label={label}
          autoComplete="off"
          spellCheck={false}
          value={typed ?? swatchWords(value, swatches)}
          aria-invalid={problem ? true : undefined}
          onFocus={(event) => event.target.select()}
          onChange={(event) => {
            setTyped(event.target.value);
            const text = asSaid(event.target.value);
            if (isColour(text)) onChange(text);
          }}
          onBlur={() => {
            if (problem) return;
            setTyped(undefined);
            onSettle();
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && !problem) {
              setTyped(undefined);
              onSettle();
            }
          }}
        />
      </div>
      {problem ? (
        <div role="alert" className="problem">
          {problem}
        </div>
      ) : null}
      {open ? (
        <div className="tracks-below">
          <ColourTracks
            colour={shown}
            passing={undefined}
            onChange={(part) => onChange(dragged(part))}
            onFinish={() => {
              release();
              onSettle();
            }}
          />
          {isOutside ? <div className="small">Outside what screens show; brought to the nearest colour.</div> : null}
          {swatches.length ? (
            <PaletteChoices
              swatches={swatches}
              current={value}
              onChoose={(id) => {
                onChange(swatchText(id));
                onSettle();
              }}
            />
          ) : null}
          {colours.length ? (
            <SiteColours
              label="Colours of this site"
              colours={colours.map((hex) => ({ hex }))}
              onChoose={(hex) => {
                onChange(hex);
                onSettle();
              }}
            />
          ) : null}
        </div>
      ) : null}
    </div>
  );
}
