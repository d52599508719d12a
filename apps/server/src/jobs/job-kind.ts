import type { OwnerScope } from '../database/owner-scope.js';

/** A sort of long work, as steps that each come to a result of their own. Adding one is one file of this shape. */
export interface JobKind<Params = unknown> {
  readonly name: string;
  /** How many steps there are. */
  count(params: Params): number;
  /** One step; it may be made again where its result was not stored. */
  run(scope: OwnerScope, params: Params, step: number, signal: AbortSignal): Promise<unknown>;
}
