import type { Environment } from '../conditions/environment.js';

/** Measures of a font, each as a share of the font size. Given to the core as input; it opens no fonts. */
export interface FontMetrics {
  /** Height of the small letters: the `ex` unit. */
  readonly xHeight: number;
  /** Advance of the digit 0: the `ch` unit. */
  readonly zeroAdvance: number;
  /** Height of the capitals: the `cap` unit. */
  readonly capHeight: number;
  /** Line height that `normal` stands for. */
  readonly normalLineHeight: number;
}

/** Metrics by family name, lower case. */
export type FontMetricsTable = Readonly<Record<string, FontMetrics>>;

/** What a relative value refers to; an element's style answers. Lengths in CSS pixels. */
export interface ValueSource {
  readonly environment: Environment;
  /** Font size that `em` refers to. */
  readonly em: number;
  readonly rem: number;
  /** Line height that `lh` refers to; undefined when only the font knows it. */
  readonly lh: number | undefined;
  readonly rlh: number | undefined;
  readonly metrics: FontMetrics | undefined;
  readonly rootMetrics: FontMetrics | undefined;
  /** Size that container units refer to: of the nearest container along each axis, or of the viewport. */
  readonly container: { readonly width: number | undefined; readonly height: number | undefined };
  /** Computed `color` as text. */
  readonly currentColour: string;
  readonly scheme: 'light' | 'dark';
  /** Address that relative url() refer to. */
  readonly base: string | undefined;
  readonly attribute: (name: string) => string | undefined;
  /** Told of a unit or function that CSS and the given input cannot resolve. */
  readonly unresolved: (what: string) => void;
}

/** Wraps a source and remembers whether a value asked anything of it; one that did not is the same everywhere. */
export class ValueContext {
  asked = false;
  constructor(private readonly source: ValueSource) {}

  /** Dots per pixel; asked apart, since what snaps is kept only for one dot a pixel. */
  get resolution(): number {
    return this.source.environment.resolution;
  }

  get of(): ValueSource {
    this.asked = true;
    return this.source;
  }
}
