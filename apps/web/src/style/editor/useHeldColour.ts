import { inSrgb, toOklch, type Oklch, type Rgba } from '@retoque/core';
import { useState } from 'react';

/**
 * A colour on its tracks. A grey has no hue of its own, so the last one is remembered; while a thumb is held the tracks
 * stay as they are set, since mapping into sRGB must not push other thumbs about.
 */
export function useHeldColour(colour: Rgba) {
  const [hue, setHue] = useState(0);
  const current = toOklch(colour, hue);
  if (current.c > 0.002 && current.h !== hue) setHue(current.h);
  const [held, setHeld] = useState<Oklch>();
  const shown = held ?? current;
  return {
    shown,
    held,
    hue,
    /** The colour in hand is outside what screens show. */
    isOutside: held !== undefined && !inSrgb(held),
    move: (part: Partial<Oklch>): Oklch => {
      const next = { ...shown, ...part };
      if (part.h !== undefined) setHue(part.h);
      setHeld(next);
      return next;
    },
    release: () => setHeld(undefined),
  };
}
