import type { EditingPlace, ViewportName } from '@retoque/core';
import type { RefObject } from 'react';
import type { FramesView } from '../frames/frames-view';
import type { BenchTab } from '../grid/SheetBar';
import type { OpenSheet } from '../grid/useGridState';

/** What one has open, at which width, on which pages: it stays while one goes from one version to another. */
export interface BenchMemory {
  /** Id of the component; another one begins anew. */
  readonly of: string;
  readonly viewport: ViewportName;
  readonly condition: Omit<EditingPlace, 'viewport'>;
  readonly view: FramesView;
  readonly tab: BenchTab;
  readonly sheet: OpenSheet;
}

/** Empty before the first version of a component was open. */
export type KeptMemory = RefObject<BenchMemory | undefined>;
