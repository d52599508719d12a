import { currentTrial, type Component } from '@retoque/contract';

/** Components whose look says something, so that there is something to hand over. */
export const withLooks = (components: readonly Component[]): Component[] =>
  components.filter((component) => {
    const { settings, finish } = currentTrial(component).look;
    return settings.length > 0 || finish !== undefined;
  });
