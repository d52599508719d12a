import { VIEWPORTS, type ViewportName } from '@retoque/core';

const NAMES: Readonly<Record<ViewportName, string>> = { wide: 'Wide', medium: 'Medium', narrow: 'Narrow' };

export const VIEWPORT_CHOICES = (Object.keys(VIEWPORTS) as ViewportName[]).map((value) => ({
  value,
  label: `${NAMES[value]} ${VIEWPORTS[value].width}`,
}));
