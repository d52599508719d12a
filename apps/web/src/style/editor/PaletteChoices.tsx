import { swatchText, type Swatch } from '@retoque/core';

/** The colours of the site's palette by name; a value that takes one changes with it. */
export function PaletteChoices({
  swatches,
  current,
  onChoose,
}: {
  swatches: readonly Swatch[];
  current: string | undefined;
  onChoose: (id: string) => void;
}) {
  return (
    <div className="palette-choices" role="group" aria-label="Colours of the palette">
      {swatches.map(({ id, name, css }) => (
        <button
          key={id}
          type="button"
          aria-pressed={current === swatchText(id)}
          title={`${name}, ${css}: this value then changes with the palette`}
          onClick={() => onChoose(id)}
        >
          <i style={{ background: css }} aria-hidden="true" />
          {name}
        </button>
      ))}
    </div>
  );
}
