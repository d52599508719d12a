import type { Selection } from './selection';

/** What the sheet can be asked by its rows. */
export interface GridActions {
  readonly select: (selection: Selection) => void;
  readonly edit: () => void;
  readonly clear: () => void;
  readonly togglePart: (part: string) => void;
  readonly toggleWhole: (part: string) => void;
}
