import { many, type Behaviour } from './behaviour.js';

/** Asks whether scripts that need consent may run, and keeps the answer. */
export const CONSENT: Behaviour = {
  name: 'consent',
  label: 'Consent',
  rows: [many('Choice kept for days', 'choice-days', '180', { unit: '', least: 1, most: 3650, step: 1 })],
};
