/** Suggested fixes of checks that fall short. */

export type { TrackSample } from '../what-if/try-colours.js';
export * from '../remedy/remedy.js';
export { Remedies, type CheckRef } from '../remedy/remedies.js';
export { type RemedyRequest } from '../remedy/drafting.js';
export { pageRemedies, type CheckWays, type ComponentWays, type Wearing } from '../report/page-remedies.js';
export { waysRecord, type DueRecord, type WaysRecord } from '../report/ways-record.js';
export { replacingColour, type ColourReplacement, type ColourShare } from '../remedy/replace-colour.js';
export { shortColours, solve, solving, type SolveScope } from '../remedy/solve.js';
