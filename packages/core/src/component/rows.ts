import type { Row } from './kind.js';

export const TEXT_COLOUR: Row = { key: 'text', label: 'Text', properties: ['color'], editor: 'colour' };
export const GROUND_COLOUR: Row = {
  key: 'background',
  label: 'Background',
  properties: ['background-color'],
  editor: 'colour',
};
export const EDGE_COLOUR: Row = {
  key: 'border',
  label: 'Border',
  properties: ['border-top-color', 'border-right-color', 'border-bottom-color', 'border-left-color'],
  editor: 'colour',
};
