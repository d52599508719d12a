import type { EditorProps } from './editing';

const MARKS = ['›', '»', '/', '·', '•', '–', '|', '→', '★', '✓', '◆', '“', '”'];

const QUOTED = /^"((?:[^"\\]|\\.)*)"\s*(?:\/\s*"((?:[^"\\]|\\.)*)")?$/;

/** A mark that CSS puts before or after something, and whether screen readers say it. */
export default function MarksEditor({ row, value, onChange, onSettle }: EditorProps) {
  const read = QUOTED.exec(value);
  const mark = read?.[1];
  // With an empty text in its place (CSS Generated Content 3, section 1.2) it is decoration.
  const isSaid = read !== null && read[2] === undefined;
  const set = (next: string, said: boolean) => {
    onChange({ [row.properties[0]!]: said ? `"${next}"` : `"${next}" / ""` });
    onSettle();
  };
  return (
    <>
      <div className="choices" role="group" aria-label="Marks">
        {MARKS.map((own) => (
          <button key={own} type="button" aria-pressed={own === mark} onClick={() => set(own, isSaid)}>
            {own}
          </button>
        ))}
      </div>
      {mark ? (
        <label className="check-line">
          <input type="checkbox" checked={isSaid} onChange={(event) => set(mark, event.target.checked)} />
          Said by screen readers
        </label>
      ) : null}
    </>
  );
}
