/** What a page paints in an area, and how contrast over it is measured. */

export * from '../page/geometry.js';
export type { Box } from '../page/box.js';
export { paintGradient } from '../paint/gradient/gradient.js';
export { measureScene } from '../paint/measure.js';
export { COVERED, type Measurement } from '../paint/measurement.js';
export { NO_PICTURES, TOO_COSTLY, type KnownPicture, type PictureSource } from '../paint/pictures.js';
export { pixelOf, rasters } from '../paint/raster.js';
export { sceneFor, type Basis, type Looking, type Scene } from '../paint/scene.js';
export * from '../picture/field.js';
export { resample } from '../picture/resample.js';
export { sweep } from '../picture/sweep.js';
export { AS_IT_IS, PageMeasures } from '../parts/page-measures.js';
