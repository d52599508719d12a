import { once } from '../../memo/once.js';

/** Where a page is looked at. Lengths in CSS pixels, resolution in dots per pixel. */
export interface Environment {
  readonly width: number;
  readonly height: number;
  readonly scheme: 'light' | 'dark';
  readonly resolution: number;
  readonly reducedMotion: boolean;
  readonly moreContrast: boolean;
  readonly forcedColours: boolean;
  readonly touch: boolean;
}

/** An environment as text; the same object is read once. */
export const environmentKey = once((environment: Environment) => JSON.stringify(environment));

export const DESKTOP: Environment = {
  width: 1280,
  height: 800,
  scheme: 'light',
  resolution: 1,
  reducedMotion: false,
  moreContrast: false,
  forcedColours: false,
  touch: false,
};

export const VIEWPORTS = {
  wide: { width: 1280, height: 800 },
  medium: { width: 768, height: 1024 },
  narrow: { width: 390, height: 844 },
} as const;
export type ViewportName = keyof typeof VIEWPORTS;
