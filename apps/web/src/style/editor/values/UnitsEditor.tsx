import type { EditorProps } from './editing';

const UNITS = ['days', 'hours', 'minutes', 'seconds'];

/** The units that a countdown shows; at least one. */
export default function UnitsEditor({ row, value, onChange, onSettle }: EditorProps) {
  const named = value.split(/\s+/);
  const toggle = (unit: string) => {
    const next = UNITS.filter((own) => (own === unit ? !named.includes(own) : named.includes(own)));
    if (!next.length) return;
    onChange({ [row.key]: next.join(' ') });
    onSettle();
  };
  return (
    <div className="choices" role="group" aria-label={row.label}>
      {UNITS.map((unit) => (
        <button key={unit} type="button" aria-pressed={named.includes(unit)} onClick={() => toggle(unit)}>
          {unit}
        </button>
      ))}
    </div>
  );
}
