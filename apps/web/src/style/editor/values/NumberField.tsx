import { quantityText, readQuantity, type RowAmount } from '@retoque/core';
import { useId, useState, type KeyboardEvent } from 'react';
import { Scrub } from './Scrub';
import { stepText } from '../../grid/step-text';

/**
 * A field for a number with a unit: typed freely, with sums; arrow keys step, with Shift by ten; the label is dragged.
 * What cannot be used is named, kept as it was typed, and changes nothing.
 */
export function NumberField({
  label,
  value,
  amount,
  hideLabel = false,
  problemOf,
  onChange,
  onSettle,
}: {
  label: string;
  value: string;
  amount: RowAmount;
  /** The label is for screen readers only, and what is dragged is the field's edge. */
  hideLabel?: boolean;
  /** Why a text cannot be used; undefined when it can. */
  problemOf: (text: string) => string | undefined;
  onChange: (text: string) => void;
  onSettle: () => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string>();
  const text = typed === undefined ? undefined : quantityText(typed, amount.unit);
  const problem = text === undefined || text === '' ? undefined : problemOf(text);

  const change = (next: string | undefined) => {
    if (next === undefined || problemOf(next) !== undefined) return;
    onChange(next);
  };
  const keys = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (by) {
      event.preventDefault();
      const next = stepText(text ?? value, by * (event.shiftKey ? 10 : 1), amount);
      setTyped(undefined);
      change(next);
    } else if (event.key === 'Enter') {
      if (problem) return;
      change(text);
      setTyped(undefined);
      onSettle();
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      setTyped(undefined);
    }
  };
  return (
    <div className="number" data-hidden-label={hideLabel ? '' : undefined}>
      <Scrub
        value={value}
        amount={amount}
        htmlFor={id}
        className={hideLabel ? 'grip' : undefined}
        onChange={change}
        onSettle={onSettle}
      >
        {hideLabel ? <span className="unseen-text">{label}</span> : label}
      </Scrub>
      <input
        id={id}
        inputMode="decimal"
        autoComplete="off"
        spellCheck={false}
        value={typed ?? value}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          const next = event.target.value;
          setTyped(next);
          const read = quantityText(next, amount.unit);
          // A bare word may be on its way to another, and a sum to its second half; they wait for Enter.
          if (readQuantity(read) && /[\d.%a-z]$/i.test(next.trim())) change(read);
        }}
        onBlur={() => {
          if (problem) return;
          if (text !== undefined && text !== '') change(text);
          setTyped(undefined);
          onSettle();
        }}
        onKeyDown={keys}
        onKeyUp={(event) => {
          if (event.key === 'ArrowUp' || event.key === 'ArrowDown') onSettle();
        }}
      />
      {problem ? (
        <div id={`${id}-problem`} role="alert" className="problem">
          {problem}
        </div>
      ) : null}
    </div>
  );
}
