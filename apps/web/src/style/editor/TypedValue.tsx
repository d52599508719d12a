import { parseColour, type Row } from '@retoque/core';
import { useState, type RefObject } from 'react';
import { useReader, withReader, type Reader } from '../grid/reading';
import { namedSwatch, swatchWords, useSwatches } from '../look/swatch-names';
import { Input } from '../../theme/Input';

/**
 * A text field that takes any value of a row; what cannot be read is named and kept as it was typed, and nothing is
 * changed by it.
 */
export function TypedValue({
  label,
  row,
  value,
  field,
  onChange,
  onLeave,
}: {
  label: string;
  row: Row;
  value: string;
  field: RefObject<HTMLInputElement | null>;
  onChange: (values: Readonly<Record<string, string>>) => void;
  onLeave: () => void;
}) {
  const [text, setText] = useState<string>();
  const { amount } = row;
  const swatches = useSwatches();
  const readText = ({ readTyped, quantityText }: Reader, typed: string) =>
    readTyped(row, amount ? quantityText(typed, amount.unit) : namedSwatch(typed, swatches));
  const known = useReader();
  const read = text === undefined || text.trim() === '' || !known ? undefined : readText(known, text);
  const problem = read && !read.ok ? read.problem : undefined;
  return (
    <div>
      <Input
        ref={field}
        fontFamily="mono"
        fontSize="12.5px"
        aria-label={label}
        aria-invalid={Boolean(problem)}
        aria-describedby={problem ? 'value-problem' : undefined}
        spellCheck={false}
        autoComplete="off"
        value={text ?? swatchWords(value, swatches)}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          const typed = event.target.value;
          setText(typed);
          // A bare word may still be on its way to another one, so words wait for Enter.
          const ready =
            (!/^[a-z-]+$/i.test(typed.trim()) || parseColour(typed) !== undefined) && !/[+*/(-]\s*$/.test(typed);
          if (!typed.trim() || !ready) return;
          withReader((loaded) => {
            const next = readText(loaded, typed);
            if (next.ok) onChange(next.values);
          });
        }}
        onBlur={() => {
          if (!problem) setText(undefined);
        }}
        onKeyDown={(event) => {
          const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
          if (by && amount) {
            event.preventDefault();
            withReader((loaded) => {
              const stepped = loaded.stepText(text ?? value, by * (event.shiftKey ? 10 : 1), amount);
              const next = stepped === undefined ? undefined : readText(loaded, stepped);
              if (!next?.ok) return;
              setText(undefined);
              onChange(next.values);
            });
          } else if (event.key === 'Enter') {
            withReader((loaded) => {
              const last = text?.trim() ? readText(loaded, text) : undefined;
              if (last && !last.ok) return;
              if (last) onChange(last.values);
              setText(undefined);
              onLeave();
            });
          } else if (event.key === 'Escape') {
            event.stopPropagation();
            setText(undefined);
            onLeave();
          }
        }}
      />
      {problem ? (
        <div id="value-problem" role="alert" className="problem">
          {problem}
        </div>
      ) : null}
    </div>
  );
}
