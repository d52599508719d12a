import { useState } from 'react';
import { late } from '../../../shell/late';
import type { EditorProps } from './editing';
import { markOf, markText, MARKS } from './marks';

const IconChooser = late(() => import('./icons/IconChooser'));

/** A mark that CSS puts before or after something, a character or an icon, and whether screen readers say it. */
export default function MarksEditor({ row, value, valueOf, onChange, onSettle }: EditorProps) {
  const read = markOf(value);
  const [open, setOpen] = useState(false);
  const set = (mark: string, said: string | undefined) => {
    onChange({ [row.properties[0]!]: markText(mark, said) });
    onSettle();
  };
  return (
    <>
      <div className="choices" role="group" aria-label="Marks">
        {MARKS.map((own) => (
          <button
            key={own}
            type="button"
            aria-pressed={`"${own}"` === read?.mark}
            onClick={() => set(`"${own}"`, read?.isPicture ? '' : read?.said)}
          >
            {own}
          </button>
        ))}
        <button type="button" aria-expanded={open} aria-pressed={read?.isPicture} onClick={() => setOpen(!open)}>
          Icon…
        </button>
      </div>
      {open ? (
        <IconChooser
          colour={valueOf('text')}
          fontSize={valueOf('font-size')}
          onChoose={(image) => {
            setOpen(false);
            set(image, '');
          }}
        />
      ) : null}
      {read && !read.isPicture && read.mark !== '""' ? (
        <label className="check-line">
          <input
            type="checkbox"
            checked={read.said === undefined}
            onChange={(event) => set(read.mark, event.target.checked ? undefined : '')}
          />
          Said by screen readers
        </label>
      ) : null}
    </>
  );
}
