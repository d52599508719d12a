import { Choices } from './Choices';
import { valuesOf, type EditorProps } from './editing';

/** One of a few words. */
export default function ChoiceEditor({ row, value, onChange, onSettle }: EditorProps) {
  return (
    <Choices
      label={row.label}
      words={row.words ?? []}
      value={value}
      onChoose={(word) => {
        const read = valuesOf(row, word);
        if (read.ok) onChange(read.values);
        onSettle();
      }}
    />
  );
}
