import {
  FILTER_FUNCTIONS,
  printFunctions,
  readCellText,
  readFunctions,
  readQuantity,
  TRANSFORM_FUNCTIONS,
  type ValueFunction,
} from '@retoque/core';
import { ArrowUp, Trash2 } from 'lucide-react';
import type { EditorProps } from './editing';
import { ItemButton } from './ItemButton';
import { NumberField } from './NumberField';

/** A list of functions in their order, such as a filter or a transform. */
export default function FunctionsEditor({ row, value, onChange, onSettle }: EditorProps) {
  const known = row.key === 'transform' ? TRANSFORM_FUNCTIONS : FILTER_FUNCTIONS;
  const list = readFunctions(value);
  if (!list) return <p className="small">This value cannot be taken apart; edit it as text.</p>;
  const set = (next: readonly ValueFunction[]) => onChange({ [row.key]: printFunctions(next) });
  const withArgument = (at: number, argument: number, text: string) =>
    list.map((item, i) =>
      i === at ? { ...item, given: item.given.map((given, k) => (k === argument ? text : given)) } : item,
    );
  return (
    <>
      {list.map((item, i) => {
        const info = known.find(({ name }) => name === item.name);
        const name = info?.label ?? item.name;
        return (
          <fieldset key={i} className="item">
            <legend>{name}</legend>
            <div className="line">
              <div className="fields">
                {item.given.map((given, k) => (
                  <NumberField
                    key={k}
                    label={info?.about[k] ?? 'Value'}
                    value={given}
                    amount={{ unit: readQuantity(info?.start[k] ?? given)?.unit ?? 'px' }}
                    problemOf={(text) => {
                      const read = readCellText(row, printFunctions(withArgument(i, k, text)));
                      return read.ok
                        ? undefined
                        : `“${text}” does not fit ${item.name}(). Try ${info?.start[k] ?? given}.`;
                    }}
                    onChange={(text) => set(withArgument(i, k, text))}
                    onSettle={onSettle}
                  />
                ))}
              </div>
              {i > 0 ? (
                <ItemButton
                  label={`Move ${name.toLowerCase()} up`}
                  onPress={() => {
                    set([...list.slice(0, i - 1), item, list[i - 1]!, ...list.slice(i + 1)]);
                    onSettle();
                  }}
                >
                  <ArrowUp aria-hidden="true" />
                </ItemButton>
              ) : null}
              <ItemButton
                label={`Remove ${name.toLowerCase()}`}
                end
                onPress={() => {
                  set(list.filter((_item, at) => at !== i));
                  onSettle();
                }}
              >
                <Trash2 aria-hidden="true" />
              </ItemButton>
            </div>
          </fieldset>
        );
      })}
      <div className="choices" role="group" aria-label="Add">
        {known.map(({ name, label, start }) => (
          <button
            key={name}
            type="button"
            onClick={() => {
              set([...list, { name, given: start }]);
              onSettle();
            }}
          >
            + {label}
          </button>
        ))}
      </div>
    </>
  );
}
