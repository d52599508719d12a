export { readData, type DataFile } from './read-data.js';
export { DRAWING_BOUNDS, drawingCost } from './drawing-cost.js';
export { decodePicture, FIELD_LIMIT, UndecodableError } from './decode-picture.js';
