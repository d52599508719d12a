export { decodePicture, FIELD_LIMIT, UndecodableError } from './decode-picture.js';
