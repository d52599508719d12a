export { DressedPage, type LookHere } from './dressed-page.js';
export { Site, UnknownPageError, type SiteOptions, type SitePageSource, type SiteUnder } from './site.js';
export { isWornAt, placeOf, type SitePage, type WornLook } from './worn.js';
export { finish, finishInTurns, type Progress, type Steps } from './progress.js';
export { conflictsOn, type LookConflict } from './conflicts.js';
export { handingOver } from './handover/hand-over.js';
export { asFileName } from './handover/file-names.js';
export type {
  ForeignReach,
  HandoverFailure,
  HandoverFile,
  PageProof,
  SiteHandover,
  SiteHandoverOptions,
  UnbeatableRule,
} from './handover/site-handover.js';
