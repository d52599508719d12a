/** Checks of a page and of its components, with figures and reasons. */

export * from '../check/check.js';
export { checkEdge, coloursAlong } from '../check/edge.js';
export { checkIcon } from '../check/icon/icon.js';
export { checkText, NEEDED_LARGE, NEEDED_NORMAL } from '../check/text.js';
export { isLarge } from '../check/text-case.js';
export { checkRecord, type CheckRecord } from '../report/check-record.js';
export * from '../report/page-ledger.js';
export * from '../ledger/ledger-check.js';
export { NO_TALLY, tallyOf, type Tally } from '../ledger/tally.js';
export { heatOf, type HeatArea, type HeatMap } from '../ledger/heat.js';
export type { LookedAt } from '../ledger/checks.js';
