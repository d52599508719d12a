import type { ElementNode } from '../../tree/tree.js';
import type { FontMetricsTable } from '../values/context.js';
import type { ContainerSize } from './style-view.js';

/** What CSS alone does not tell, given to the core as input. */
export interface KnownMeasures {
  readonly fonts?: FontMetricsTable | undefined;
  /** Content sizes of elements that are containers. */
  readonly containers?: ReadonlyMap<ElementNode, ContainerSize> | undefined;
  /** Address that url() in style attributes refer to. */
  readonly base?: string | undefined;
}
