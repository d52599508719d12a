import { printBezier, printTransitions, readBezier, readTransitions, rowNamed, type Transition } from '@retoque/core';
import { Plus, Trash2 } from 'lucide-react';
import { Choices } from './Choices';
import { CurvePad } from './CurvePad';
import { problemOf, type EditorProps } from './editing';
import { ItemButton } from './ItemButton';
import { NumberField } from './NumberField';

const WORDS = ['linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out'];
const PROPERTIES = [
  'all',
  'color',
  'background-color',
  'border-color',
  'box-shadow',
  'transform',
  'opacity',
  'outline-offset',
  'text-decoration-color',
];
const TIME = { unit: 'ms', least: 0, step: 10 };
const DELAY = { unit: 'ms', step: 10 };
/** Common practice for a hover: between 200 and 600 milliseconds, slow at both ends. */
const NEW: Transition = { property: 'all', duration: '250ms', easing: 'ease-in-out', delay: '0s' };

const millis = (text: string): number => {
  const value = Number.parseFloat(text) || 0;
  return /[^m]s$/.test(text) ? value * 1000 : value;
};

/** What changes slowly, for how long and along which curve; the curve is drawn, dragged and played. */
export default function TransitionEditor({ valueOf, onChange, onSettle }: EditorProps) {
  const all = readTransitions(valueOf);
  // Everything in no time is how nothing is said.
  const list = all.every(({ duration, delay }) => millis(duration) === 0 && millis(delay) === 0) ? [] : all;
  const set = (next: readonly Transition[]) => onChange(printTransitions(next));
  const change = (at: number, part: Partial<Transition>) =>
    set(list.map((item, i) => (i === at ? { ...item, ...part } : item)));
  return (
    <>
      {list.map((item, i) => {
        const curve = readBezier(item.easing);
        const takes = millis(item.duration);
        return (
          <fieldset key={i} className="item">
            <legend>{item.property === 'all' ? 'Everything' : item.property}</legend>
            <div className="line">
              <select
                aria-label={`What changes, ${i + 1}`}
                value={item.property}
                onChange={(event) => {
                  change(i, { property: event.target.value });
                  onSettle();
                }}
              >
                {[...new Set([item.property, ...PROPERTIES])].map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
              <ItemButton
                label={`Remove the change of ${item.property}`}
                end
                onPress={() => {
                  set(list.filter((_item, at) => at !== i));
                  onSettle();
                }}
              >
                <Trash2 aria-hidden="true" />
              </ItemButton>
            </div>
            <div className="fields">
              <NumberField
                label="Duration"
                value={item.duration}
                amount={TIME}
                problemOf={problemOf(rowNamed('transition-duration')!)}
                onChange={(duration) => change(i, { duration })}
                onSettle={onSettle}
              />
              <NumberField
                label="Delay"
                value={item.delay}
                amount={DELAY}
                problemOf={problemOf(rowNamed('transition-delay')!)}
                onChange={(delay) => change(i, { delay })}
                onSettle={onSettle}
              />
            </div>
            {curve ? (
              <CurvePad
                curve={curve}
                millis={takes}
                onChange={(next) => change(i, { easing: printBezier(next) })}
                onSettle={onSettle}
              />
            ) : (
              <p className="small">{item.easing}</p>
            )}
            <Choices
              label="Curve"
              words={WORDS}
              value={curve ? printBezier(curve) : item.easing}
              onChoose={(easing) => {
                change(i, { easing });
                onSettle();
              }}
            />
            {takes > 600 ? <p className="small">Longer than most: 200 to 600 ms is usual for a hover.</p> : null}
          </fieldset>
        );
      })}
      <button
        type="button"
        className="small-button"
        onClick={() => {
          set([...list, NEW]);
          onSettle();
        }}
      >
        <Plus aria-hidden="true" /> {list.length ? 'Another property' : 'Let it change slowly'}
      </button>
    </>
  );
}
