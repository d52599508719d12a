import { useState } from 'react';
import type { EditorProps } from './editing';
import { readTyped } from '../../grid/cell-problem';

/** As a field for dates has it; empty for what is none. */
const fieldText = (value: string): string => {
  const [date = '', time = '00:00'] = value.split(' ');
  return date ? `${date}T${time}` : '';
};

/** A date and a time of day, by the clocks of the time zone beside it. */
export default function MomentEditor({ row, value, valueOf, onChange, onSettle }: EditorProps) {
  const [opened] = useState(() => Date.now());
  const text = fieldText(value);
  const isPast = text !== '' && Date.parse(`${text}Z`) < opened - 864e5;
  return (
    <>
      <div className="line wraps">
        <input
          type="datetime-local"
          className="moment"
          aria-label={row.label}
          value={text}
          onChange={(event) => {
            const read = readTyped(row, event.target.value);
            if (read.ok) onChange(read.values);
          }}
          onBlur={onSettle}
        />
        <span className="small">{valueOf('--rq-zone') || 'UTC'}</span>
      </div>
      {isPast ? <p className="small">This moment has passed.</p> : null}
    </>
  );
}
