import type { SiteAsset } from '@retoque/contract';
import { splitTopLevel, lookup } from '@retoque/core';
import type { EditorProps } from './editing';
import { Slider } from './Slider';

type Axis = NonNullable<SiteAsset['font']>['axes'][number];

/** Axes that have a property of their own (CSS Fonts 4, section 6.13). */
const PROPERTIES: Readonly<Record<string, string>> = lookup({ wght: 'font-weight' });

/** The axes of a variable font as sliders; what has a property of its own is set by it. */
export function FontAxes({
  axes,
  valueOf,
  onChange,
  onSettle,
}: Pick<EditorProps, 'valueOf' | 'onChange' | 'onSettle'> & { axes: readonly Axis[] }) {
  const settings = new Map(
    splitTopLevel(valueOf('font-variation-settings')).flatMap((item) => {
      const match = /^["'](.{4})["']\s+(-?[\d.]+)$/.exec(item.trim());
      return match ? [[match[1]!, Number(match[2])] as const] : [];
    }),
  );
  const valueFor = ({ tag, initial }: Axis): number => {
    const property = PROPERTIES[tag];
    if (property) return Number.parseFloat(valueOf(property)) || initial;
    return settings.get(tag) ?? initial;
  };
  const set = ({ tag }: Axis, value: number) => {
    const property = PROPERTIES[tag];
    if (property) return onChange({ [property]: String(value) });
    const next = new Map(settings).set(tag, value);
    onChange({ 'font-variation-settings': [...next].map(([name, own]) => `"${name}" ${own}`).join(', ') });
  };
  return (
    <div className="fields" role="group" aria-label="Axes of the font">
      {axes.map((axis) => (
        <label key={axis.tag} className="line">
          <span className="label">{axis.name}</span>
          <Slider
            label={axis.name}
            value={valueFor(axis)}
            least={axis.min}
            most={axis.max}
            step={axis.max - axis.min > 20 ? 1 : 0.01}
            onChange={(value) => set(axis, value)}
            onSettle={onSettle}
          />
          <output>{valueFor(axis)}</output>
        </label>
      ))}
    </div>
  );
}
