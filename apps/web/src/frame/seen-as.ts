import type { Vision } from '@retoque/core';

/** How pages are seen: by people who see colours differently, in grey, or with the system's own colours forced. */
export type SeenAs = Vision | 'forced';

/** The filter that shows a frame so; see `VisionFilters`. */
export const visionFilter = (seen: SeenAs | undefined): string | undefined =>
  seen && seen !== 'forced' ? `url(#seen-${seen})` : undefined;
