/** A share of a whole, dragged or stepped. */
export function Slider({
  label,
  value,
  least,
  most,
  step,
  onChange,
  onSettle,
}: {
  label: string;
  value: number;
  least: number;
  most: number;
  step: number;
  onChange: (value: number) => void;
  onSettle: () => void;
}) {
  return (
    <input
      type="range"
      className="slider"
      aria-label={label}
      min={least}
      max={most}
      step={step}
      value={value}
      onChange={(event) => onChange(event.target.valueAsNumber)}
      onPointerUp={onSettle}
      onKeyUp={onSettle}
    />
  );
}
