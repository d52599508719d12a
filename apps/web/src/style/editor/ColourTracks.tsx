import { fromOklch, toHex, type Oklch } from '@retoque/core';
import { useFollowing } from '../../shell/useFollowing';
import { Track } from './Track';
import { MAX_CHROMA, type Passing } from './usePassing';

const STOPS = 13;

const ramp = (make: (at: number) => Oklch) =>
  `linear-gradient(90deg, ${Array.from({ length: STOPS }, (_, i) => toHex(fromOklch(make(i / (STOPS - 1))))).join(', ')})`;

/** Lightness, chroma, hue and opacity of a colour, each on a track that shows what it leads to. */
export function ColourTracks({
  colour,
  passing,
  onChange,
  onFinish,
}: {
  colour: Oklch;
  passing: Passing | undefined;
  onChange: (part: Partial<Oklch>) => void;
  onFinish: () => void;
}) {
  // Thumbs move at once; what lies under them takes longer to work out, and follows.
  const painted = useFollowing(colour);
  const opaque = { ...painted, alpha: 1 };
  return (
    <div className="tracks">
      <Track
        label="Lightness"
        value={colour.l}
        max={1}
        step={0.01}
        shown={colour.l.toFixed(3)}
        ground={ramp((l) => ({ ...opaque, l }))}
        passing={passing?.l}
        onChange={(l) => onChange({ l })}
        onFinish={onFinish}
      />
      <Track
        label="Chroma"
        value={colour.c}
        max={MAX_CHROMA}
        step={0.005}
        shown={colour.c.toFixed(3)}
        ground={ramp((at) => ({ ...opaque, c: at * MAX_CHROMA }))}
        passing={passing?.c}
        onChange={(c) => onChange({ c })}
        onFinish={onFinish}
      />
      <Track
        label="Hue"
        value={colour.h}
        max={360}
        step={1}
        shown={String(Math.round(colour.h))}
        ground={ramp((at) => ({ ...opaque, h: at * 360 }))}
        passing={passing?.h}
        onChange={(h) => onChange({ h })}
        onFinish={onFinish}
      />
      <Track
        label="Opacity"
        value={colour.alpha}
        max={1}
        step={0.01}
        shown={`${Math.round(colour.alpha * 100)}%`}
        ground={`linear-gradient(90deg, transparent, ${toHex(fromOklch(opaque))}), repeating-conic-gradient(#fff 0 25%, #c9c9c5 0 50%) 0 0 / 8px 8px`}
        onChange={(alpha) => onChange({ alpha })}
        onFinish={onFinish}
      />
    </div>
  );
}
