import { useTold, type PreviewTime } from './preview-time';

const MINUTE = 60_000;
const STEPS = [
  ['1 min', MINUTE],
  ['1 h', 60 * MINUTE],
  ['1 day', 1440 * MINUTE],
] as const;

/** Moves the clock that the page's behaviours run by, and visits it again. */
export default function ClockBar({ time }: { time: PreviewTime }) {
  const names = useTold(time, time.names);
  const now = useTold(time, time.minute);
  if (!names) return null;
  return (
    <div className="clock-bar" role="group" aria-label="Clock of the page">
      <time dateTime={new Date(now).toISOString()} title="The clock that the page goes by">
        {new Date(now).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })}
      </time>
      {STEPS.map(([label, by]) => (
        <button
          key={label}
          type="button"
          className="small-button"
          aria-label={`Move the clock on by ${label}`}
          onClick={() => time.move(by)}
        >
          +{label}
        </button>
      ))}
      <button
        type="button"
        className="small-button"
        title="As the same visitor, who has closed or chosen something"
        onClick={() => time.visit(false)}
      >
        Load again
      </button>
      <button
        type="button"
        className="small-button"
        title="As somebody who was never here"
        onClick={() => time.visit(true)}
      >
        New visitor
      </button>
    </div>
  );
}
