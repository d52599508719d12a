import { printShadows, readShadows, rowNamed, type Shadow } from '@retoque/core';
import { Plus, Trash2 } from 'lucide-react';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { ColourField } from './ColourField';
import { problemOf, type EditorProps } from './editing';
import { ItemButton } from './ItemButton';
import { NumberField } from './NumberField';

/** In CSS pixels: how far the pad reaches from its middle, and how big it is drawn. */
const REACH = 24;
const PAD = 92;
const LENGTH = { unit: 'px' };
const POSITIVE = { unit: 'px', least: 0 };
const NEW: Shadow = { inset: false, x: '0', y: '2px', blur: '8px', spread: '0', colour: 'rgb(0 0 0 / 25%)' };

const px = (text: string) => Number.parseFloat(text) || 0;

/** Shadows, the front one first: where each falls is dragged on a pad, or typed. */
export default function ShadowEditor({ row, value, onChange, onSettle, colours }: EditorProps) {
  const isText = row.key === 'text-shadow';
  const shadows = readShadows(value);
  if (!shadows) return <p className="small">This value cannot be taken apart; edit it as text.</p>;
  const set = (next: readonly Shadow[]) => onChange({ [row.key]: printShadows(next) });
  const change = (at: number, part: Partial<Shadow>) =>
    set(shadows.map((shadow, i) => (i === at ? { ...shadow, ...part } : shadow)));
  const problem = (text: string) =>
    problemOf(rowNamed('outline-offset')!)(text) === undefined ? undefined : `“${text}” is not a length. Try 2px.`;
  return (
    <>
      {shadows.map((shadow, i) => {
        const name = `Shadow ${i + 1}`;
        const field = (label: string, key: 'x' | 'y' | 'blur' | 'spread') => (
          <NumberField
            label={label}
            value={shadow[key]}
            amount={key === 'blur' ? POSITIVE : LENGTH}
            problemOf={problem}
            onChange={(text) => change(i, { [key]: text })}
            onSettle={onSettle}
          />
        );
        return (
          <fieldset key={i} className="item">
            <legend>{name}</legend>
            <div className="shadow-row">
              <OffsetPad
                label={`${name}, where it falls`}
                x={px(shadow.x)}
                y={px(shadow.y)}
                onChange={(x, y) => change(i, { x: `${x}px`, y: `${y}px` })}
                onSettle={onSettle}
              />
              <div className="fields">
                {field('Across', 'x')}
                {field('Down', 'y')}
                {field('Blur', 'blur')}
                {isText ? null : field('Spread', 'spread')}
              </div>
            </div>
            <ColourField
              label={`${name}, colour`}
              value={shadow.colour ?? 'currentcolor'}
              colours={colours}
              onChange={(colour) => change(i, { colour })}
              onSettle={onSettle}
            />
            <div className="line">
              {isText ? null : (
                <label className="check-line">
                  <input
                    type="checkbox"
                    checked={shadow.inset}
                    onChange={(event) => {
                      change(i, { inset: event.target.checked });
                      onSettle();
                    }}
                  />
                  Inside the box
                </label>
              )}
              <ItemButton
                label={`Remove ${name.toLowerCase()}`}
                end
                onPress={() => {
                  set(shadows.filter((_shadow, at) => at !== i));
                  onSettle();
                }}
              >
                <Trash2 aria-hidden="true" />
              </ItemButton>
            </div>
          </fieldset>
        );
      })}
      <button
        type="button"
        className="small-button"
        onClick={() => {
          set([...shadows, NEW]);
          onSettle();
        }}
      >
        <Plus aria-hidden="true" /> Add a shadow
      </button>
    </>
  );
}

/** Two offsets as one point, dragged or moved by arrow keys. */
function OffsetPad({
  label,
  x,
  y,
  onChange,
  onSettle,
}: {
  label: string;
  x: number;
  y: number;
  onChange: (x: number, y: number) => void;
  onSettle: () => void;
}) {
  const pad = useRef<HTMLDivElement>(null);
  const clamp = (value: number) => Math.round(Math.max(-REACH, Math.min(REACH, value)));
  const toPointer = (event: PointerEvent) => {
    const box = pad.current!.getBoundingClientRect();
    const at = (place: number, start: number, size: number) => clamp(((place - start) / size - 0.5) * 2 * REACH);
    onChange(at(event.clientX, box.left, box.width), at(event.clientY, box.top, box.height));
  };
  const keys = (event: KeyboardEvent) => {
    const by = event.shiftKey ? 10 : 1;
    const moves: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    onChange(Math.round(x) + move[0], Math.round(y) + move[1]);
  };
  const place = (value: number) => `${((Math.max(-REACH, Math.min(REACH, value)) / REACH) * 0.5 + 0.5) * 100}%`;
  return (
    <div
      ref={pad}
      className="pad"
      style={{ width: PAD, height: PAD }}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={-REACH}
      aria-valuemax={REACH}
      aria-valuenow={x}
      aria-valuetext={`${x} across, ${y} down`}
      onKeyDown={keys}
      onKeyUp={onSettle}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        toPointer(event);
      }}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) toPointer(event);
      }}
      onPointerUp={onSettle}
      onPointerCancel={onSettle}
    >
      <i style={{ left: place(x), top: place(y) }} />
    </div>
  );
}
