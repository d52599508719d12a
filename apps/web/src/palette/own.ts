import type { Palette, Site } from '@retoque/contract';
import type { usePalette } from './usePalette';
import type { useSitePages } from '../ledger/useSiteWork';

/** What each part of the Palette screen works with. */
export interface PaletteParts {
  readonly site: Site;
  readonly palette: Palette;
  readonly pages: ReturnType<typeof useSitePages>;
  /** A change is being saved. */
  readonly busy: boolean;
  readonly onChange: ReturnType<typeof usePalette>['change'];
}
