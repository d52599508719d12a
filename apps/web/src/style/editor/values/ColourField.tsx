import { colourAsSaid, fromOklch, parseColour, toHex, TRANSPARENT } from '@retoque/core';
import { useId, useState } from 'react';
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
  const said = typed === undefined ? undefined : colourAsSaid(typed);
  const isColour = (text: string) => parseColour(text) !== undefined || /^currentcolor$/i.test(text);
  const problem = said !== undefined && said !== '' && !isColour(said) ? `“${typed}” is not a CSS colour.` : undefined;
  const { shown, isOutside, move, release } = useHeldColour(parseColour(value) ?? TRANSPARENT);
  return (
    <div className="colour-field">
      <div className="line">
        <button
          type="button"
          className="chip"
          aria-label={`${label}: ${open ? 'close the tracks' : 'open the tracks'}`}
          aria-expanded={open}
          style={withColour(value)}
          onClick={() => setOpen(!open)}
        />
        <input
          id={id}
          aria-label={label}
          autoComplete="off"
          spellCheck={false}
          value={typed ?? value}
          aria-invalid={problem ? true : undefined}
          onFocus={(event) => event.target.select()}
          onChange={(event) => {
            setTyped(event.target.value);
            const text = colourAsSaid(event.target.value);
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
            onChange={(part) => onChange(toHex(fromOklch(move(part))))}
            onFinish={() => {
              release();
              onSettle();
            }}
          />
          {isOutside ? <div className="small">Outside what screens show; brought to the nearest colour.</div> : null}
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
