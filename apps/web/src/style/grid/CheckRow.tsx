import { showRatio, type ColumnCheck } from '@retoque/core';
import { Wedge } from '../../shell/Wedge';
import { VERDICTS } from '../../ledger/words';
import { checkWords } from '../checks/checkWords';

/** One thing that is asked of a part, with its figure in every state. */
export function CheckRow({
  label,
  demand,
  columns,
  checks,
}: {
  label: string;
  demand: string;
  columns: readonly string[];
  checks: readonly ColumnCheck[];
}) {
  return (
    <tr role="row" className="check" data-demand={demand}>
      <th role="rowheader" scope="row" className="name">
        {label}
      </th>
      {columns.map((column) => {
        const check = checks.find((item) => item.column === column);
        if (!check) return <td key={column} role="gridcell" className="none" />;
        const tone = check.verdict === 'short' ? 'short' : check.verdict === 'unsure' ? 'unsure' : undefined;
        return (
          <td key={column} role="gridcell" className={tone} title={checkWords(check)} data-check={column}>
            {check.measured === undefined ? (
              `${check.verdict === 'unsure' ? '? ' : ''}${VERDICTS[check.verdict].toLowerCase()}`
            ) : check.verdict === 'short' ? (
              <>
                <Wedge /> {showRatio(check.measured)} <small>of {check.needed}</small>
              </>
            ) : (
              `✓ ${showRatio(check.measured)}`
            )}
          </td>
        );
      })}
      <td role="gridcell" className="none" />
    </tr>
  );
}
