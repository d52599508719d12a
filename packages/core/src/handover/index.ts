export {
  planHandover,
  PlanMemory,
  settingsFor,
  type Plan,
  type PlanInput,
  type PlannedBefore,
  type PlannedException,
  type PlannedRule,
} from './plan.js';
export type { SubjectGroup } from './entries.js';
export { bareRules, comment, printBare, printPlans, type BareRule } from './print.js';
export { prove, proveOn, asLastSheet, type Except, type Proof, type ProofFailure } from './proof.js';
export { environmentCases, tellMotionApart, type EnvironmentCase } from './environments.js';
export { standardScrollbar } from './scrollbar.js';
export { familiesOf, fontFaces, fontsOf, type FontFile } from './font-faces.js';
