export { planHandover, type Plan, type PlanInput } from './plan.js';
export { printPlan } from './print.js';
export { prove, asLastSheet, type Proof, type ProofFailure } from './proof.js';
export { environmentCases, type EnvironmentCase } from './environments.js';
