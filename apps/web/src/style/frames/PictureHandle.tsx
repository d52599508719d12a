import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

/** Height of a picture in CSS pixels: as it comes, and how far it can be dragged. */
const USUAL = 132;
const LEAST = 92;
const MOST = 420;
const STEP = 16;
const KEPT = 'retoque:picture-height';

const within = (height: number): number => Math.round(Math.min(MOST, Math.max(LEAST, height)));

function keptHeight(): number {
  try {
    const kept = Number(localStorage.getItem(KEPT));
    return kept ? within(kept) : USUAL;
  } catch {
    return USUAL;
  }
}

/** Under the pictures: dragged, or moved by arrow keys, it makes them larger or smaller; a double click makes them as usual. */
export function PictureHandle() {
  const own = useRef<HTMLDivElement>(null);
  const [height, setHeight] = useState(keptHeight);
  const dragged = useRef<{ readonly from: number; readonly height: number }>(undefined);
  useEffect(() => {
    // Frames follow by themselves, so that nothing is drawn again while one drags.
    own.current?.parentElement?.style.setProperty('--picture-height', `${height}px`);
    try {
      localStorage.setItem(KEPT, `${height}`);
    } catch {
      // Without storage it lasts as long as the screen.
    }
  }, [height]);
  const onKeyDown = (event: KeyboardEvent) => {
    const steps: Readonly<Record<string, number>> = {
      ArrowUp: height - STEP,
      ArrowDown: height + STEP,
      Home: LEAST,
      End: MOST,
    };
    const next = steps[event.key];
    if (next === undefined) return;
    event.preventDefault();
    setHeight(within(next));
  };
  return (
    <div
      ref={own}
      className="picture-handle"
      role="separator"
      aria-orientation="horizontal"
      aria-label="Size of the pictures"
      aria-valuemin={LEAST}
      aria-valuemax={MOST}
      aria-valuenow={height}
      tabIndex={0}
      title="Drag to make the pictures larger or smaller"
      onKeyDown={onKeyDown}
      onDoubleClick={() => setHeight(USUAL)}
      onPointerDown={(event: PointerEvent<HTMLDivElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        dragged.current = { from: event.clientY, height };
      }}
      onPointerMove={(event) => {
        if (dragged.current) setHeight(within(dragged.current.height + event.clientY - dragged.current.from));
      }}
      onPointerUp={() => (dragged.current = undefined)}
      onPointerCancel={() => (dragged.current = undefined)}
    />
  );
}
