import type { SheetPart } from '@retoque/core';
import { ChevronRight } from 'lucide-react';
import { TallyMark } from '../../shell/TallyMark';
import type { GridActions } from './grid-actions';

/** The head of a part: what is wrong with it, and how much of it is shown. */
export function PartRow({
  part,
  isOpen,
  isCurrent,
  isWhole,
  searching,
  actions,
}: {
  part: SheetPart;
  isOpen: boolean;
  isCurrent: boolean;
  isWhole: boolean;
  searching: boolean;
  actions: GridActions;
}) {
  return (
    <tr role="row" className="part" data-current={isCurrent ? '' : undefined}>
      <th role="rowheader" scope="rowgroup">
        <span className="head">
          <button
            type="button"
            className="fold"
            aria-expanded={isOpen}
            onClick={() => actions.togglePart(part.name)}
            title={`${part.selector}${part.pseudo ? `::${part.pseudo}` : ''}`}
          >
            <ChevronRight aria-hidden="true" />
            {part.label}
            <span className="count">{part.reach > 1 ? part.reach : ''}</span>
          </button>
          {part.short || part.unsure || part.unseen ? (
            <span className="tally">
              <TallyMark tally={part} />
            </span>
          ) : null}
          {part.settings ? (
            <span
              className="set"
              title={`${part.settings} ${part.settings === 1 ? 'value is' : 'values are'} set by you`}
            />
          ) : null}
          {isOpen && !searching ? (
            <button
              type="button"
              className="whole"
              aria-pressed={isWhole}
              onClick={() => actions.toggleWhole(part.name)}
            >
              {isWhole ? 'Only what matters first' : 'All properties'}
            </button>
          ) : null}
        </span>
      </th>
    </tr>
  );
}
