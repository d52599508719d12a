import { textCarriers, textCase } from '../check/text-case.js';
import { contrastRatio } from '../colour/contrast.js';
import { colourOfSteps, pixelOf, rasters } from '../paint/raster.js';
import type { LookedAt } from './checks.js';

/** Contrast in every pixel behind one line of text, row by row; 0 where something else is painted over it. */
export interface HeatArea {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly ratios: Float32Array;
}

/** What a text is measured on, place by place. */
export interface HeatMap {
  readonly needed: number;
  readonly areas: readonly HeatArea[];
  readonly worst: { readonly x: number; readonly y: number; readonly ratio: number } | undefined;
}

/** Most pixels of a map; beyond it a part of the text speaks for the rest. */
const MOST_PIXELS = 400_000;

/** The contrast of a part's texts with what lies behind them in every place; empty where no geometry is known. */
export function heatOf({ looking, element }: LookedAt, needed: (large: boolean) => number): HeatMap {
  const areas: HeatArea[] = [];
  let worst: HeatMap['worst'];
  let least = 0;
  let left = MOST_PIXELS;
  for (const carrier of textCarriers(element)) {
    const text = textCase(looking, carrier);
    least = Math.max(least, needed(text.large));
    if (text.scene.doubt || text.scene.basis !== 'geometry') continue;
    for (const area of text.areas) {
      for (const raster of rasters(text.scene.nodes, area)) {
        const count = raster.width * raster.height;
        if ((left -= count) < 0) return { needed: least, areas, worst };
        const ratios = new Float32Array(count);
        for (let i = 0; i < count; i++) {
          const { withMark, without, shown } = pixelOf(raster, i);
          const ratio = shown < 0.05 ? 0 : contrastRatio(colourOfSteps(withMark), colourOfSteps(without));
          ratios[i] = ratio;
          if (ratio && (!worst || ratio < worst.ratio)) {
            worst = { ratio, x: raster.x + (i % raster.width), y: raster.y + Math.floor(i / raster.width) };
          }
        }
        areas.push({ x: raster.x, y: raster.y, width: raster.width, height: raster.height, ratios });
      }
    }
  }
  return { needed: least, areas, worst };
}
