/** The CSS of a look, planned, printed and proven. */

export * from '../handover/index.js';
export type { HandoverResult } from '../session/component-handover.js';
export { stateWords } from '../handover/state-selector.js';
export { layoutKey } from '../look/layout-key.js';
