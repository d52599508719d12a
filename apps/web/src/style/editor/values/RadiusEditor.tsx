import { expandShorthand, rowNamed } from '@retoque/core';
import { useState } from 'react';
import { problemOf, type EditorProps } from './editing';
import { NumberField } from './NumberField';

const CORNERS = ['top-left', 'top-right', 'bottom-left', 'bottom-right'] as const;
const longhand = (corner: string) => `border-${corner}-radius`;
const AMOUNT = { unit: 'px', least: 0 };

/** The four corners, together or each by itself. */
export default function RadiusEditor({ row, valueOf, onChange, onSettle }: EditorProps) {
  const whole = rowNamed('border-radius')!;
  const longhands = expandShorthand('border-radius', valueOf('border-radius'));
  const corners = CORNERS.map((corner) => longhands?.[longhand(corner)] ?? '0px');
  const alike = corners.every((corner) => corner === corners[0]);
  const [together, setTogether] = useState(alike && row.under === undefined);
  return (
    <>
      <div className="corners" style={{ borderRadius: corners.map((corner) => corner || 0).join(' ') }}>
        {CORNERS.map((corner, i) => (
          <div key={corner} className={`corner ${corner}`}>
            <NumberField
              hideLabel
              label={`Radius ${corner.replace('-', ' ')}`}
              value={corners[i]!}
              amount={AMOUNT}
              problemOf={problemOf(whole)}
              onChange={(text) =>
                onChange(
                  together
                    ? Object.fromEntries(CORNERS.map((each) => [longhand(each), text]))
                    : { [longhand(corner)]: text },
                )
              }
              onSettle={onSettle}
            />
          </div>
        ))}
      </div>
      <label className="check-line">
        <input type="checkbox" checked={together} onChange={(event) => setTogether(event.target.checked)} />
        All corners alike
      </label>
    </>
  );
}
