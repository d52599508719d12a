import {
  fromOklch,
  isHint,
  parseColour,
  placesOf,
  printGradient,
  spacedTerms,
  toHex,
  toOklch,
  type Gradient,
  type GradientStop,
} from '@retoque/core';
import { Trash2 } from 'lucide-react';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useShownColours } from './useShownColours';
import { withColour } from './with-colour';
import { ColourField } from './ColourField';
import { ItemButton } from './ItemButton';
import { NumberField } from './NumberField';

const SHAPES = ['linear', 'radial', 'conic'] as const;
const SPACES = ['', 'oklch', 'oklab', 'srgb', 'srgb-linear', 'hsl', 'hsl longer hue'] as const;
const DIRECTIONS = [
  'to top',
  'to top right',
  'to right',
  'to bottom right',
  'to bottom',
  'to bottom left',
  'to left',
  'to top left',
];
const SIZES = ['farthest-corner', 'closest-side', 'circle', 'circle closest-side', 'circle farthest-side'];
/** Lightness by which a derived stop parts from its neighbour. */
const DERIVED = 0.08;

const percent = (share: number) => `${Math.round(share * 1000) / 10}%`;
const isPlace = (text: string) => /^(calc\(.*\)|[+-]?[\d.]+(%|px|r?em|v[wh]|deg|turn|rad)|0)$/i.test(text);

/** A colour somewhat lighter or darker than another; the same where it cannot be read. */
function derived(colour: string, by: number): string {
  const parsed = parseColour(colour);
  if (!parsed) return colour;
  const from = toOklch(parsed);
  return toHex(fromOklch({ ...from, l: Math.max(0, Math.min(1, from.l + by)) }));
}

/** One gradient: its shape, its stops on a line, and the colour and place of the stop in hand. */
export function GradientEditor({
  gradient,
  colours,
  onChange,
  onSettle,
}: {
  gradient: Gradient;
  colours: readonly string[];
  onChange: (gradient: Gradient) => void;
  onSettle: () => void;
}) {
  const [chosen, setChosen] = useState(0);
  const inColours = useShownColours();
  const line = useRef<HTMLDivElement>(null);
  const { stops } = gradient;
  const places = placesOf(gradient);
  const at = Math.min(chosen, stops.length - 1);
  const stop = stops[at]!;
  const colourStops = stops.filter((item) => !isHint(item)).length;

  const change = (part: Partial<Gradient>) => onChange({ ...gradient, ...part });
  const changeStop = (i: number, part: Partial<GradientStop>) =>
    change({
      stops: stops.map((item, k) =>
        k !== i ? item : isHint(item) ? { hint: part.at ?? item.hint } : { ...item, ...part },
      ),
    });
  const insert = (i: number, colour: string, place: number) => {
    change({ stops: [...stops.slice(0, i), { colour, at: percent(place) }, ...stops.slice(i)] });
    setChosen(i);
    onSettle();
  };
  const remove = (i: number) => {
    if (!isHint(stops[i]!) && colourStops <= 2) return;
    change({ stops: stops.filter((_item, k) => k !== i) });
    setChosen(Math.max(0, i - 1));
    onSettle();
  };
  const shareAt = (event: PointerEvent) => {
    const { left, width } = line.current!.getBoundingClientRect();
    return Math.max(0, Math.min(1, (event.clientX - left) / width));
  };
  const move = (i: number, share: number) => {
    // A stop stays between its neighbours, as a browser would have it anyway.
    const least = places[i - 1] ?? 0;
    const most = places[i + 1] ?? 1;
    changeStop(i, { at: percent(Math.max(least, Math.min(most, share))) });
  };
  const stopKeys = (event: KeyboardEvent, i: number) => {
    const by = event.shiftKey ? 0.1 : 0.01;
    if (event.key === 'ArrowLeft' || event.key === 'ArrowDown') move(i, places[i]! - by);
    else if (event.key === 'ArrowRight' || event.key === 'ArrowUp') move(i, places[i]! + by);
    else if (event.key === 'Delete' || event.key === 'Backspace') remove(i);
    else return;
    event.preventDefault();
  };
  const preview = printGradient({
    shape: 'linear',
    repeating: false,
    direction: '90deg',
    ...(gradient.interpolation ? { interpolation: gradient.interpolation } : {}),
    stops: stops.map((item, i) =>
      isHint(item) ? { hint: percent(places[i]!) } : { colour: item.colour, at: percent(places[i]!) },
    ),
  });
  return (
    <div className="gradient">
      <div className="line">
        <select
          aria-label="Shape"
          value={gradient.shape}
          onChange={(event) => {
            const { stops: kept, repeating, interpolation } = gradient;
            // Where and of what size means something else for each shape.
            onChange({
              shape: event.target.value as Gradient['shape'],
              repeating,
              ...(interpolation ? { interpolation } : {}),
              stops: kept,
            });
            onSettle();
          }}
        >
          {SHAPES.map((shape) => (
            <option key={shape}>{shape}</option>
          ))}
        </select>
        <label className="check-line">
          <input
            type="checkbox"
            checked={gradient.repeating}
            onChange={(event) => {
              change({ repeating: event.target.checked });
              onSettle();
            }}
          />
          Repeats
        </label>
        <select
          aria-label="Colours mix in"
          value={gradient.interpolation ?? ''}
          onChange={(event) => {
            const { interpolation: _before, ...rest } = gradient;
            onChange(event.target.value ? { ...rest, interpolation: event.target.value } : rest);
            onSettle();
          }}
        >
          {[...new Set([...SPACES, gradient.interpolation ?? ''])].map((space) => (
            <option key={space} value={space}>
              {space ? `in ${space}` : 'mixes as usual'}
            </option>
          ))}
        </select>
      </div>
      <div
        ref={line}
        className="stops"
        style={{ backgroundImage: inColours(preview) }}
        onDoubleClick={(event) => {
          const share = shareAt(event as unknown as PointerEvent);
          const after = places.findIndex((place) => place > share);
          const i = after < 0 ? stops.length : after;
          const neighbour = stops.slice(0, i).findLast((item) => !isHint(item)) ?? stops.find((item) => !isHint(item));
          insert(i, (neighbour as GradientStop).colour, share);
        }}
      >
        {stops.map((item, i) => (
          <button
            key={i}
            type="button"
            className="stop"
            role="slider"
            data-hint={isHint(item) ? '' : undefined}
            aria-label={isHint(item) ? `Middle ${i + 1}` : `Stop ${i + 1}`}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(places[i]! * 100)}
            aria-current={i === at ? 'true' : undefined}
            style={{ left: percent(places[i]!), ...withColour(isHint(item) ? 'transparent' : inColours(item.colour)) }}
            onFocus={() => setChosen(i)}
            onKeyDown={(event) => stopKeys(event, i)}
            onKeyUp={onSettle}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              setChosen(i);
            }}
            onPointerMove={(event) => {
              if (event.currentTarget.hasPointerCapture(event.pointerId) && event.buttons) move(i, shareAt(event));
            }}
            onPointerUp={onSettle}
          />
        ))}
      </div>
      <div className="small">Double-click the line to add a stop; Delete takes one away.</div>
      {isHint(stop) ? (
        <NumberField
          label="Halfway at"
          value={stop.hint}
          amount={{ unit: '%' }}
          problemOf={(text) => (isPlace(text) ? undefined : `“${text}” is not a place. Try 50%.`)}
          onChange={(text) => changeStop(at, { at: text })}
          onSettle={onSettle}
        />
      ) : (
        <fieldset className="item">
          <legend>Stop {at + 1}</legend>
          <ColourField
            key={at}
            label={`Stop ${at + 1}, colour`}
            value={stop.colour}
            colours={colours}
            onChange={(colour) => changeStop(at, { colour })}
            onSettle={onSettle}
          />
          <div className="line">
            <NumberField
              label="Place"
              value={stop.at ?? percent(places[at]!)}
              amount={{ unit: '%', step: 1 }}
              problemOf={(text) => (isPlace(text) ? undefined : `“${text}” is not a place. Try 50%.`)}
              onChange={(text) => changeStop(at, { at: text })}
              onSettle={onSettle}
            />
            <ItemButton label={`Remove stop ${at + 1}`} end disabled={colourStops <= 2} onPress={() => remove(at)}>
              <Trash2 aria-hidden="true" />
            </ItemButton>
          </div>
          <div className="choices" role="group" aria-label="Add a stop beside this one">
            {(
              [
                ['+ lighter', DERIVED],
                ['+ darker', -DERIVED],
              ] as const
            ).map(([label, by]) => (
              <button
                key={label}
                type="button"
                onClick={() => {
                  const next = places[at + 1] ?? 1;
                  insert(at + 1, derived(stop.colour, by), (places[at]! + next) / 2);
                }}
              >
                {label}
              </button>
            ))}
          </div>
        </fieldset>
      )}
      {gradient.shape === 'radial' ? (
        <label className="select-line">
          Size
          <select
            value={gradient.size ?? 'farthest-corner'}
            onChange={(event) => {
              change({ size: event.target.value });
              onSettle();
            }}
          >
            {[...new Set([...SIZES, gradient.size ?? 'farthest-corner'])].map((size) => (
              <option key={size}>{size}</option>
            ))}
          </select>
        </label>
      ) : (
        <Direction gradient={gradient} onChange={(direction) => change({ direction })} onSettle={onSettle} />
      )}
      {gradient.shape === 'linear' ? null : <Centre gradient={gradient} onChange={change} onSettle={onSettle} />}
    </div>
  );
}

function Direction({
  gradient,
  onChange,
  onSettle,
}: {
  gradient: Gradient;
  onChange: (direction: string) => void;
  onSettle: () => void;
}) {
  const isLinear = gradient.shape === 'linear';
  const value = gradient.direction ?? (isLinear ? '180deg' : '0deg');
  return (
    <>
      <NumberField
        label={isLinear ? 'Angle' : 'Begins at'}
        value={value}
        amount={{ unit: 'deg', step: 1 }}
        problemOf={(text) =>
          /^([+-]?[\d.]+(deg|turn|rad|grad)|0)$/i.test(text) || (isLinear && DIRECTIONS.includes(text))
            ? undefined
            : `“${text}” is not an angle. Try 135deg${isLinear ? ' or to top left' : ''}.`
        }
        onChange={onChange}
        onSettle={onSettle}
      />
      {isLinear ? (
        <div className="choices arrows" role="group" aria-label="Direction">
          {DIRECTIONS.map((direction, i) => (
            <button
              key={direction}
              type="button"
              title={direction}
              aria-label={direction}
              aria-pressed={direction === value}
              onClick={() => {
                onChange(direction);
                onSettle();
              }}
            >
              <span style={{ display: 'inline-block', transform: `rotate(${i * 45}deg)` }}>↑</span>
            </button>
          ))}
        </div>
      ) : null}
    </>
  );
}

function Centre({
  gradient,
  onChange,
  onSettle,
}: {
  gradient: Gradient;
  onChange: (part: Partial<Gradient>) => void;
  onSettle: () => void;
}) {
  const [x = '50%', y = '50%'] = spacedTerms(gradient.centre ?? '50% 50%');
  const problemOf = (text: string) =>
    isPlace(text) || /^(left|center|right|top|bottom)$/.test(text) ? undefined : `“${text}” is not a place. Try 50%.`;
  return (
    <div className="fields">
      {(
        [
          ['Centre across', x, (text: string) => `${text} ${y}`],
          ['Centre down', y, (text: string) => `${x} ${text}`],
        ] as const
      ).map(([label, value, put]) => (
        <NumberField
          key={label}
          label={label}
          value={value}
          amount={{ unit: '%', step: 1 }}
          problemOf={problemOf}
          onChange={(text) => onChange({ centre: put(text) })}
          onSettle={onSettle}
        />
      ))}
    </div>
  );
}
