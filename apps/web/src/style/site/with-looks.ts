import type { Component } from '@retoque/contract';

/** Components whose look says something, so that there is something to hand over. */
export const withLooks = (components: readonly Component[]): Component[] =>
  components.filter(
    ({ trials, currentTrialId }) => trials.find(({ id }) => id === currentTrialId)!.look.settings.length > 0,
  );
