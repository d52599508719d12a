import { showRatio, showShortfall, type ColumnCheck } from '@retoque/core';
import { VERDICTS } from '../../ledger/words';

const HIGHEST = 21;
/** Ratios are judged by their proportion, so the gauge is logarithmic. */
const place = (ratio: number) => (Math.log(Math.max(1, ratio)) / Math.log(HIGHEST)) * 100;

/** The contrast of one state: the figure, what is needed, and how far it lies. */
export function Measure({ check }: { check: ColumnCheck }) {
  const { measured, needed, verdict } = check;
  if (measured === undefined) {
    return (
      <div className="measure" data-verdict={verdict}>
        <div className="verdict">
          <span className="word">{VERDICTS[verdict]}</span>
          <span className="about">{check.label.toLowerCase()}</span>
        </div>
        <div className="quiet">{check.reason}</div>
      </div>
    );
  }
  return (
    <div className="measure" data-verdict={verdict}>
      <div className="verdict">
        <span className="ratio" data-testid="ratio">
          {showRatio(measured)}
        </span>
        <span className="how">{verdict === 'short' ? `${showShortfall(measured, needed)} too low` : 'passes'}</span>
        <span className="about">{check.label.toLowerCase()}</span>
      </div>
      <div className="gauge" aria-hidden="true">
        <i style={{ left: `${place(needed)}%` }} />
        <i className="enhanced" style={{ left: `${place(7)}%` }} />
        <b style={{ left: `${place(measured)}%` }} />
      </div>
      <div className="scale" aria-hidden="true">
        {[1, 3, 4.5, 7, HIGHEST].map((mark) => (
          <span key={mark} style={{ left: `${place(mark)}%` }}>
            {mark}
          </span>
        ))}
      </div>
      <div className="needs">
        Needs {needed} ({sortOf(check)}, WCAG 2.2 {check.criterion} at level AA).
        {check.measuredElements > 1
          ? ` The lowest of ${check.measuredElements}${check.worstText ? `: “${check.worstText}”` : ''}.`
          : ''}
      </div>
    </div>
  );
}

const sortOf = (check: ColumnCheck): string =>
  check.criterion === '1.4.11' ? 'edges and icons' : check.large ? 'large text' : 'text';
