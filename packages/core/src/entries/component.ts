/** Components: their kinds and parts, the looks that restyle them, and one component in all its states. */

export { siteSelectors } from '../component/find.js';
export type { FoundComponent } from '../component/found.js';
export * from '../component/kind.js';
export * from '../component/state-column.js';
export { behavioursNamed, behavioursOf, elementOf, markupOf, type Behaviour } from '../component/behaviours/index.js';
export { KINDS, kindNamed } from '../component/kinds/index.js';
export { starterOf } from '../component/kinds/starters.js';
export { ROWS, ROW_GROUPS, rowNamed, type RowAmount, type RowEditor } from '../component/rows.js';
export { columnFor, columnNamed, setBits, shownBits, STATE_COLUMNS } from '../component/states.js';
export type { FoundPart } from '../component/parts.js';
export { findParts } from '../component/parts.js';
export { DEFAULT_BOUNDS, type ViewportBounds } from '../look/conditions.js';
export { mergeLooks, type Choice, type Difference, type LookItem, type Merge } from '../look/merge.js';
export * from '../look/finish.js';
export { isLonghandValue } from '../css/sheet/declaration.js';
export * from '../look/model.js';
export * from '../look/named-swatches.js';
export { correctPart, removePart, renamePart, withSettings } from '../look/own-parts-of-look.js';
export { splitPart, type Split } from '../look/split-part.js';
export { partsThatDiffer, takeParts } from '../look/take-parts.js';
export { resolveNames, withSwatches, type NamedThings, type ResolvedLook } from '../look/resolve-names.js';
export type { CellRef, TakenAlong } from '../sheet/cell-reasons.js';
export * from '../session/component-session.js';
export { starterLooks, type StarterLook } from '../session/starter-looks.js';
export { splitOff } from '../session/splitting.js';
export { giveBehaviour, type GivenBehaviour } from '../session/given-behaviour.js';
export { turnIntoControls, type Turned, type TurnedControls } from '../session/turned-control.js';
export type { Among } from '../session/underlay.js';
export { placeOn, type ComponentPlace, type PlacedComponent } from '../parts/placed-component.js';
export { calledAs, type Proposal } from '../component/take.js';
export { isPartName, ownPartNames, ownPartsOf, withOwnParts, type OwnParts } from '../component/own-parts.js';
export { canBePart } from '../component/further.js';
export { REST } from '../component/rest.js';
export type { SheetRequest } from '../sheet/component-sheet.js';
export * from '../parts/errors.js';
export type { PartMember } from '../parts/members.js';
export { seenPage, type SeenPage } from '../session/seen-page.js';
export * from '../sheet/state-sheet.js';
export * from '../incremental/frame-rules.js';
export * from '../look/editing-place.js';
export { cellSetting, rowText } from '../sheet/cells.js';
export {
  colourAsSaid,
  isBlock,
  mendText,
  readBlock,
  readCellText,
  type ReadBlock,
  type ReadValue,
} from '../look/read-value.js';
