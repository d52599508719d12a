import { Pipette } from 'lucide-react';

/** What browsers that have a screen picker offer (EyeDropper API, WICG). */
interface EyeDropperLike {
  open(): Promise<{ readonly sRGBHex: string }>;
}

/** Picks a colour from anywhere on the screen; nothing where the browser has no picker. */
export function ScreenPicker({ onPick }: { onPick: (hex: string) => void }) {
  const Picker = (window as { EyeDropper?: new () => EyeDropperLike }).EyeDropper;
  if (!Picker) return null;
  return (
    <button
      type="button"
      className="small-button"
      aria-label="Pick from the screen"
      title="Pick from the screen"
      onClick={() => {
        // Escape ends it without a colour.
        void new Picker().open().then(
          ({ sRGBHex }) => onPick(sRGBHex),
          () => undefined,
        );
      }}
    >
      <Pipette aria-hidden="true" />
    </button>
  );
}
