export { DressedPage, type LookHere } from './dressed-page.js';
export {
  Site,
  UnknownPageError,
  type SiteOptions,
  type SitePageSource,
  type SiteFinish,
  type SiteUnder,
  type WearableSite,
} from './site.js';
export { componentKey, isWornAt, placeOf, type SitePage, type WornLook } from './worn.js';
export { conflictsOn, type LookConflict } from './conflicts.js';
export { reachingAcross, type PageReach } from './reach-across.js';
export { handingOver } from './handover/hand-over.js';
export { asFileName } from './handover/file-names.js';
export type {
  ForeignReach,
  HandoverFailure,
  HandoverFile,
  HtmlPatch,
  PageProof,
  SiteHandover,
  SiteHandoverOptions,
  UnbeatableRule,
} from './handover/site-handover.js';
export { LOOKS_SHOWN, pageChecks, pageWays, siteChecks, type LooksShown, type PageChecks } from './ledger.js';
export { coloursOfSite, findingColour, type ColourUse, type FoundColour } from './colour-usage.js';
export { componentsOfSite, type ComponentEffect, type LookShare, type SiteComponent } from './effect.js';
export { findingPairs, type PairInUse } from './pairs-in-use.js';
export { changingFinishes, changingPalette } from './changed-names.js';
export { asTold, copyingLook, type CopiedLook, type CopyShare, type Copying, type Nearness } from './copy-look.js';
export { swappingAcross, type SiteSwap, type SwapAcross, type SwapShare } from './swap-across.js';
export { replacingAcross, type AcrossSite, type PlacedColourShare } from './replace-colour.js';
export { takingAlong, type TakenAlongAcross } from './take-along.js';
export { derivingDark, type DarkScheme } from './dark-scheme.js';
export {
  findingDrift,
  settlingDrift,
  type Drift,
  type DriftedCell,
  type DriftedValue,
  type DriftUnit,
  type SettledDrift,
} from './drift.js';
export { matchingLook, type MatchedLook, type PartPairs, type PlacedOnPage, type RoledPart } from './match-look.js';
export { cssFor, oneBlock, SCRIPT_NAME, SCRIPT_SOURCE_NAME, scriptTag } from './handover/one-block.js';
