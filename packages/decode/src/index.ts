export { readData, type DataFile } from './read-data.js';
export { decodePicture, FIELD_LIMIT, UndecodableError } from './decode-picture.js';
