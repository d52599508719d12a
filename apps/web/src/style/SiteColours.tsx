import type { SiteColour } from '../engine/protocol';

/** The colours that the site uses already, the most used first. */
export function SiteColours({
  colours,
  onChoose,
}: {
  colours: readonly SiteColour[];
  onChoose: (hex: string) => void;
}) {
  return (
    <div className="swatches" role="group" aria-label="Colours of this site">
      {colours.map((colour) => (
        <button
          key={colour.hex}
          type="button"
          style={{ background: colour.hex }}
          title={`${colour.name ?? colour.hex}, used ${colour.uses} times`}
          aria-label={`Use ${colour.name ?? colour.hex}`}
          onClick={() => onChoose(colour.hex)}
        />
      ))}
    </div>
  );
}
