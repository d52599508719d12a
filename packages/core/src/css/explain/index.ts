export * from './explain.js';
export { nearMisses, type Idle, type NearMiss } from './near-miss.js';
export { findingIdleRules, idleRulesFor } from './idle-rules.js';
export { checkRule, type RuleCheck } from './rule-check.js';
export { leftBehind, type LeftBehind } from './left-behind.js';
