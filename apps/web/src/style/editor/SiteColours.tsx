import type { SiteColour } from '../../engine/protocol';

/** Colours to choose from, such as those that the site uses already. */
export function SiteColours({
  label,
  colours,
  onChoose,
}: {
  label: string;
  colours: readonly (Pick<SiteColour, 'hex'> & Partial<SiteColour>)[];
  onChoose: (hex: string) => void;
}) {
  return (
    <div className="swatches" role="group" aria-label={label}>
      {colours.map((colour) => (
        <button
          key={colour.hex}
          type="button"
          style={{ background: colour.hex }}
          title={colour.uses ? `${colour.name ?? colour.hex}, used ${colour.uses} times` : colour.hex}
          aria-label={`Use ${colour.name ?? colour.hex}`}
          onClick={() => onChoose(colour.hex)}
        />
      ))}
    </div>
  );
}
