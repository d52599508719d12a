export * from './check/check.js';
export { checkEdge, checkIcon, coloursAlong } from './check/edge.js';
export { checkText, isLarge, NEEDED_LARGE, NEEDED_NORMAL } from './check/text.js';
export * from './colour/composite.js';
export * from './colour/contrast.js';
export * from './colour/oklch.js';
export * from './colour/parse.js';
export * from './colour/print.js';
export { COLOUR_FORMATS, formatColour, formatOf, type ColourFormat } from './colour/formats.js';
export * from './colour/rgba.js';
export { siteSelectors, type FoundComponent } from './component/find.js';
export * from './component/kind.js';
export * from './page/as-control.js';
export * from './page/change.js';
export { KINDS, kindNamed } from './component/kinds/index.js';
export { ROWS, ROW_GROUPS, rowNamed, type RowAmount, type RowEditor } from './component/rows.js';
export { columnFor, columnNamed, setBits, shownBits, STATE_COLUMNS } from './component/states.js';
export type { FoundPart } from './component/parts.js';
export { findParts } from './component/parts.js';
export * from './css/environment.js';
export * from './css/explain/index.js';
export { AT_REST, forceStates, type ForcedStates } from './css/forced.js';
export { parseSheet, MAX_SHEET_LENGTH } from './css/parse-sheet.js';
export { ATOMS, atomsOf, bitsOf, CARRIED, closeBits, type Atom } from './css/selector/states.js';
export * from './css/selector/named-states.js';
export { pathSelector } from './page/path.js';
export { compileText, InvalidSelectorError } from './css/selector/match.js';
export { PageStyles, type ElementStyle, type KnownMeasures, type StyledPage } from './css/styles.js';
export { PROPERTIES } from './css/property/table.js';
export { RuleIndex } from './css/rules.js';
export { SHORTHANDS } from './css/shorthand/index.js';
export { PRINTED_SHORTHANDS, printShorthand } from './css/shorthand/print.js';
export * from './handover/index.js';
export { DEFAULT_BOUNDS, type ViewportBounds } from './look/conditions.js';
export * from './look/model.js';
export { labelledControl } from './page/label.js';
export * from './page/geometry.js';
export type { Box } from './paint/box.js';
export { paintGradient } from './paint/gradient/gradient.js';
export { COVERED, measureScene, type Measurement } from './paint/measure.js';
export { NO_PICTURES, type PictureSource } from './paint/pictures.js';
export { pixelOf, rasters } from './paint/raster.js';
export { sceneFor, type Basis, type Looking, type Scene } from './paint/scene.js';
export * from './picture/field.js';
export { resample } from './picture/resample.js';
export { sweep } from './picture/sweep.js';
export { AS_IT_IS, PageMeasures } from './session/page-measures.js';
export { locate, locatorFor, selectAll, type Located, type Locator } from './page/locator.js';
export { TOUCHED_STATES } from './page/frame.js';
export { markersFor, markerOf, MARKED_STATES, ORDER_ATTRIBUTE } from './page/markers.js';
export { MAX_DEPTH, MAX_ELEMENTS, PageTooLargeError, parseHtml } from './page/parse-html.js';
export { pageReferences, sheetReferences } from './page/references.js';
export { markStates, rewriteUrls } from './page/rewrite-sheet.js';
export { sanitiseHtml, type Removed } from './page/sanitise.js';
export { baseOf, fileName, resolveAddress, titleOf, type StoredSheet } from './page/sheets.js';
export { isBuiltByScript } from './page/static-check.js';
export { descendants, ancestors, textOf, type ElementNode, type PageTree } from './page/tree.js';
export * from './session/component-session.js';
export type { PartMember } from './session/members.js';
export * from './session/page-ledger.js';
export * from './session/page-session.js';
export * from './session/state-sheet.js';
export type { TrackSample } from './session/try-colours.js';
export { cellSetting, rowText } from './session/cells.js';
export { siteFonts, type LoadedFont } from './page/site-fonts.js';
export { siteFamilies } from './page/site-families.js';
export { siteColours, type SiteColourUse } from './page/site-colours.js';
export { stateWords } from './handover/state-selector.js';
export { expandShorthand, isColourText } from './css/declaration.js';
export type { FontMetrics, FontMetricsTable } from './css/values/context.js';
export {
  colourAsSaid,
  isBlock,
  mendText,
  readBlock,
  readCellText,
  type ReadBlock,
  type ReadValue,
} from './look/read-value.js';
export * from './value/index.js';
export { splitTopLevel } from './css/values/split.js';
export * from './colour/vision.js';
export { difference } from './colour/difference.js';
export * from './remedy/remedy.js';
export { leastAlpha, nearestOf, nearestPassing } from './remedy/nearest.js';
export { Remedies, type CheckRef, type RemedyRequest } from './session/remedies.js';
export { shortColours, solve, type SolveScope } from './session/solve.js';
