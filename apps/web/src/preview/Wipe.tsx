import type { ReactNode } from 'react';

/** One picture over another, wiped away from the left by dragging or by arrow keys. */
export function Wipe({
  at,
  before,
  after,
  onChange,
}: {
  /** How much of the picture before is shown, in per cent. */
  at: number;
  before: ReactNode;
  after: ReactNode;
  onChange: (at: number) => void;
}) {
  return (
    <div className="wipe">
      <div className="layer">{after}</div>
      <div className="layer" style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}>
        {before}
      </div>
      <i className="edge" style={{ left: `${at}%` }} />
      <input
        type="range"
        aria-label="How much of the site as it is"
        min={0}
        max={100}
        value={at}
        onChange={(event) => onChange(event.target.valueAsNumber)}
      />
    </div>
  );
}
