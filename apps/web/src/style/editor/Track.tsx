import { useRef, type KeyboardEvent, type PointerEvent } from 'react';

/** A stretch of a track, each end 0 to 1. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** One track of a colour: dragged, clicked or moved by arrow keys (with Shift by ten), with a line where it passes. */
export function Track({
  label,
  value,
  max,
  step,
  shown,
  ground,
  passing,
  onChange,
  onFinish,
}: {
  label: string;
  value: number;
  max: number;
  step: number;
  shown: string;
  ground: string;
  passing?: readonly Stretch[] | undefined;
  onChange: (value: number) => void;
  onFinish: () => void;
}) {
  const bar = useRef<HTMLDivElement>(null);
  const thumb = useRef<HTMLDivElement>(null);
  const clamp = (next: number) => Math.max(0, Math.min(max, next));

  const toPointer = (event: PointerEvent) => {
    const { left, width } = bar.current!.getBoundingClientRect();
    onChange(clamp(((event.clientX - left) / width) * max));
  };
  const key = (event: KeyboardEvent) => {
    const size = event.shiftKey ? step * 10 : step;
    const moves: Readonly<Record<string, number>> = {
      ArrowRight: value + size,
      ArrowUp: value + size,
      ArrowLeft: value - size,
      ArrowDown: value - size,
      PageUp: value + step * 10,
      PageDown: value - step * 10,
      Home: 0,
      End: max,
    };
    const next = moves[event.key];
    if (next === undefined) return;
    event.preventDefault();
    onChange(clamp(next));
  };
  return (
    <div className="track">
      <span className="label">{label}</span>
      <div
        ref={bar}
        className="bar"
        style={{ background: ground }}
        onPointerDown={(event) => {
          event.preventDefault();
          event.currentTarget.setPointerCapture(event.pointerId);
          thumb.current?.focus();
          toPointer(event);
        }}
        onPointerMove={(event) => {
          if (event.currentTarget.hasPointerCapture(event.pointerId)) toPointer(event);
        }}
        onPointerUp={onFinish}
        onPointerCancel={onFinish}
      >
        <div
          ref={thumb}
          className="thumb"
          role="slider"
          tabIndex={0}
          aria-label={label}
          aria-valuemin={0}
          aria-valuemax={max}
          aria-valuenow={Number(value.toFixed(3))}
          aria-valuetext={shown}
          style={{ left: `${(value / max) * 100}%` }}
          onKeyDown={key}
          onKeyUp={(event) => {
            if (
              event.key.startsWith('Arrow') ||
              event.key.startsWith('Page') ||
              event.key === 'Home' ||
              event.key === 'End'
            )
              onFinish();
          }}
        />
      </div>
      <span className="shown">{shown}</span>
      {passing ? (
        <div className="passing" data-passing={label}>
          {passing.map((stretch) => (
            <i
              key={stretch.from}
              style={{ left: `${stretch.from * 100}%`, width: `${(stretch.to - stretch.from) * 100}%` }}
            />
          ))}
        </div>
      ) : null}
    </div>
  );
}
