import { Choices } from './Choices';
import { readTyped } from '../../grid/cell-problem';
import type { EditorProps } from './editing';
import { Scrub } from './Scrub';
import { Slider } from './Slider';

/** A number that is dragged, and the words that may stand in its place; it is typed in the field above. */
export default function NumberEditor({ row, value, onChange, onSettle }: EditorProps) {
  const amount = row.amount ?? { unit: 'px' };
  const set = (text: string) => {
    const read = readTyped(row, text);
    if (read.ok) onChange(read.values);
  };
  const { least, most, step = 0.01 } = amount;
  return (
    <>
      <Scrub value={value} amount={amount} onChange={set} onSettle={onSettle}>
        {row.label} <span aria-hidden="true">↔</span>
      </Scrub>
      {least !== undefined && most !== undefined && amount.unit === '' ? (
        <Slider
          label={row.label}
          value={Number.parseFloat(value) || 0}
          least={least}
          most={most}
          step={step}
          onChange={(next) => set(String(next))}
          onSettle={onSettle}
        />
      ) : null}
      {row.words ? (
        <Choices
          label={`Words for ${row.label.toLowerCase()}`}
          words={row.words}
          value={value}
          onChoose={(word) => {
            set(word);
            onSettle();
          }}
        />
      ) : null}
    </>
  );
}
