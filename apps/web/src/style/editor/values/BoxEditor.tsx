import { expandShorthand, rowNamed } from '@retoque/core';
import { problemOf, type EditorProps } from './editing';
import { NumberField } from './NumberField';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
/** From the outside to the inside, as boxes are drawn. */
const LAYERS = [
  { name: 'margin', label: 'Margin', longhand: (side: string) => `margin-${side}`, amount: { unit: 'px' } },
  {
    name: 'border-width',
    label: 'Border',
    longhand: (side: string) => `border-${side}-width`,
    amount: { unit: 'px', least: 0 },
  },
  {
    name: 'padding',
    label: 'Padding',
    longhand: (side: string) => `padding-${side}`,
    amount: { unit: 'px', least: 0 },
  },
] as const;

/** What lies inside, and how much of it there may be. */
const SIZES = [
  { name: 'width', label: 'Width', unit: 'px' },
  { name: 'min-width', label: 'At least', unit: 'px' },
  { name: 'max-width', label: 'At most', unit: 'px' },
  { name: 'height', label: 'Height', unit: 'px' },
  { name: 'min-height', label: 'At least', unit: 'px' },
  { name: 'max-height', label: 'At most', unit: 'px' },
  { name: 'aspect-ratio', label: 'Ratio', unit: '' },
  { name: 'gap', label: 'Gap', unit: 'px' },
] as const;

/** The four sides of a shorthand's text. */
function sidesOf(name: string, text: string, longhand: (side: string) => string): readonly string[] {
  const longhands = expandShorthand(name, text);
  return SIDES.map((side) => longhands?.[longhand(side)] ?? '');
}

/** Margin, border and padding as they lie around a part, so that none is taken for another. */
export default function BoxEditor({ row, valueOf, onChange, onSettle }: EditorProps) {
  const drawn = LAYERS.map((layer) => ({ ...layer, sides: sidesOf(layer.name, valueOf(layer.name), layer.longhand) }));
  const own = row.under ?? row.key;
  const render = (at: number) => {
    const layer = drawn[at];
    if (!layer) return <div className="box-inner" />;
    const whole = rowNamed(layer.name)!;
    return (
      <div className="box-layer" data-layer={layer.name} data-own={own === layer.name ? '' : undefined}>
        <span className="box-name">{layer.label}</span>
        {SIDES.map((side, i) => (
          <div key={side} className={`box-side ${side}`}>
            <NumberField
              hideLabel
              label={`${layer.label} ${side}`}
              value={layer.sides[i]!}
              amount={layer.amount}
              problemOf={problemOf(whole)}
              onChange={(text) => onChange({ [layer.longhand(side)]: text })}
              onSettle={onSettle}
            />
          </div>
        ))}
        {render(at + 1)}
      </div>
    );
  };
  return (
    <>
      <div className="box">{render(0)}</div>
      <div className="fields" role="group" aria-label="Size and its limits">
        {SIZES.map(({ name, label, unit }) => {
          const size = rowNamed(name)!;
          return (
            <NumberField
              key={name}
              label={label}
              value={valueOf(name)}
              amount={{ unit, least: 0 }}
              problemOf={problemOf(size)}
              onChange={(text) => onChange(Object.fromEntries(size.properties.map((property) => [property, text])))}
              onSettle={onSettle}
            />
          );
        })}
      </div>
    </>
  );
}
