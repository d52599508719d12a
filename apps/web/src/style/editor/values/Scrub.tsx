import type { RowAmount } from '@retoque/core';
import { useRef, type ReactNode } from 'react';
import { stepText } from '../../grid/step-text';

/** In CSS pixels of the pointer's way, for one step. */
const WAY = 4;

/** A label that changes its number when it is dragged sideways, with Shift by ten. */
export function Scrub({
  value,
  amount,
  htmlFor,
  className,
  children,
  onChange,
  onSettle,
}: {
  value: string;
  amount: RowAmount;
  htmlFor?: string | undefined;
  className?: string | undefined;
  children: ReactNode;
  onChange: (text: string) => void;
  onSettle: () => void;
}) {
  const drag = useRef<{ x: number; from: string }>(undefined);
  const end = () => {
    if (!drag.current) return;
    drag.current = undefined;
    onSettle();
  };
  return (
    <label
      htmlFor={htmlFor}
      className={className ? `scrub ${className}` : 'scrub'}
      title="Drag to change"
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = { x: event.clientX, from: value };
      }}
      onPointerMove={(event) => {
        if (!drag.current) return;
        const steps = Math.round((event.clientX - drag.current.x) / WAY) * (event.shiftKey ? 10 : 1);
        const next = steps ? stepText(drag.current.from, steps, amount) : undefined;
        if (next !== undefined) onChange(next);
      }}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {children}
    </label>
  );
}
