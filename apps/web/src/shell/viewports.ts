import { VIEWPORTS, type ViewportName } from '@retoque/core';

const NAMES: Readonly<Record<ViewportName, string>> = { wide: 'Wide', medium: 'Medium', narrow: 'Narrow' };

export const VIEWPORT_CHOICES = (Object.keys(VIEWPORTS) as ViewportName[]).map((value) => ({
  value,
  label: `${NAMES[value]} ${VIEWPORTS[value].width}`,
}));

export const SCHEME_CHOICES = [
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark', hint: 'For those who prefer a dark screen' },
] as const;
