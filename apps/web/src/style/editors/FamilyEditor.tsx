import { splitTopLevel } from '@retoque/core';
import type { EditorProps } from './editing';
import { readTyped } from '../cell-problem';

/** Families that every device has under these names, or something like them. */
const GENERIC = [
  'system-ui',
  'sans-serif',
  'serif',
  'monospace',
  'ui-rounded',
  'Georgia, serif',
  'Verdana, sans-serif',
];
const SAMPLE = 'Hamburgefonts 123';

/** The font of a part: those of the site and those that every device has, each in its own letters. */
export default function FamilyEditor({ row, value, families, words, onChange, onSettle }: EditorProps) {
  const [first] = splitTopLevel(value);
  return (
    <div className="families" role="listbox" aria-label={row.label}>
      {[...new Set([value, ...families, ...GENERIC])].filter(Boolean).map((family) => (
        <button
          key={family}
          type="button"
          role="option"
          aria-selected={family === value}
          style={{ fontFamily: family }}
          onClick={() => {
            const read = readTyped(row, family);
            if (read.ok) onChange(read.values);
            onSettle();
          }}
        >
          <span>{words || SAMPLE}</span>
          <code>{family === value ? first : family}</code>
        </button>
      ))}
    </div>
  );
}
