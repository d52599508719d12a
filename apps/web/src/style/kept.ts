import type { Component } from '@retoque/contract';
import type { KeptLook } from '../engine/protocol';

/** The looks that components wear. */
export const keptLooks = (components: readonly Component[]): KeptLook[] =>
  components.map(({ kind, name, locator, trials, currentTrialId }) => ({
    kind,
    name,
    locator,
    look: trials.find((trial) => trial.id === currentTrialId)!.look,
  }));
