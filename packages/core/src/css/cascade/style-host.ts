import type { Environment } from '../conditions/environment.js';
import type { RegisteredProperty } from '../sheet/sheet.js';
import type { KnownMeasures } from './known-measures.js';

/** The page that styles are of, as each of them asks it. */
export interface StyleHost {
  readonly environment: Environment;
  readonly known: KnownMeasures;
  /** True when styles of the other are handed out as this one's own. */
  takesFrom(other: StyleHost): boolean;
  registered(name: string): RegisteredProperty | undefined;
  noteUnresolved(what: string): void;
}
