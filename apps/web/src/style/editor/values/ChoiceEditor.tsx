import { Choices } from './Choices';
import { readTyped } from '../../grid/cell-problem';
import type { EditorProps } from './editing';

/** One of a few words. */
export default function ChoiceEditor({ row, value, onChange, onSettle }: EditorProps) {
  return (
    <Choices
      label={row.label}
      words={row.words ?? []}
      value={value}
      onChoose={(word) => {
        const read = readTyped(row, word);
        if (read.ok) onChange(read.values);
        onSettle();
      }}
    />
  );
}
