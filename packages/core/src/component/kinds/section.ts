import type { Kind } from '../kind.js';
import { BLOCK } from './block.js';

/** What of a part of the page belongs to no component: listed, so that all that is shown is measured. */
export const SECTION: Kind = {
  ...BLOCK,
  name: 'section',
  label: 'Section',
  plural: 'sections',
  parts: [{ ...BLOCK.parts[0]!, name: 'section', label: 'Section' }],
};
