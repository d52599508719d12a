import { lightOf } from './light.js';
import type { Rgba } from './rgba.js';

/** A colour that was read from text; how light it is, is worked out once, since such colours are compared many times. */
export class ReadColour implements Rgba {
  #light = -1;

  constructor(
    readonly r: number,
    readonly g: number,
    readonly b: number,
    readonly alpha: number,
  ) {}

  /** Relative luminance, 0 to 1; a copy with another channel is a plain colour and does not take it along. */
  get light(): number {
    return this.#light < 0 ? (this.#light = lightOf(this)) : this.#light;
  }
}
