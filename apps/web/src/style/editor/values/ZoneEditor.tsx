import type { EditorProps } from './editing';
import { readTyped } from '../../grid/cell-problem';

const ZONES = ['UTC', ...Intl.supportedValuesOf('timeZone').filter((zone) => zone !== 'UTC')];

/** A time zone by its name, and that of this computer at hand. */
export default function ZoneEditor({ row, value, onChange, onSettle }: EditorProps) {
  const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const set = (zone: string) => {
    const read = readTyped(row, zone);
    if (read.ok) onChange(read.values);
    onSettle();
  };
  return (
    <div className="line">
      <select aria-label={row.label} value={value} onChange={(event) => set(event.target.value)}>
        {[...new Set([value, ...ZONES])].map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </select>
      {own && own !== value ? (
        <button type="button" className="small-button" onClick={() => set(own)}>
          Here: {own}
        </button>
      ) : null}
    </div>
  );
}
