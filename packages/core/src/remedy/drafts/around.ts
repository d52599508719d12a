import { contrastRatio } from '../../colour/contrast.js';
import { shortAgainst, type Asked } from '../../colour/nearest.js';
import type { StateColumn } from '../../component/state-column.js';
import type { LedgerCheck } from '../../ledger/ledger-check.js';
import type { Drafting } from '../drafting.js';

/** What all columns that would show the colour of an edge ask of it, against what each is seen on now. */
export function askedAround(drafting: Drafting, check: LedgerCheck, column: StateColumn, property: string): Asked {
  const { whatIf } = drafting.session;
  const showing = new Set(
    whatIf
      .showing(drafting.look, drafting.slotOf(check.part, column, property), drafting.request)
      .map(({ part, column: name, viewport }) => `${part} ${name} ${viewport}`),
  );
  const grounds = drafting.memory.checks.flatMap(({ part, column: name, viewport, demand, background, needed }) =>
    demand === check.demand && background && showing.has(`${part} ${name} ${viewport}`) ? [{ background, needed }] : [],
  );
  return {
    passes: (colour) => grounds.every(({ background, needed }) => contrastRatio(colour, background) >= needed),
    short: grounds.map(({ background, needed }) => shortAgainst(background, needed)),
  };
}
