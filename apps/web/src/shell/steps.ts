import type { Step } from './AppBar';
import { handoverPath, palettePath, stylePath, surveyPath } from './paths';

/**
 * The steps of the work in their order.
 *
 * @param componentId of the component in hand, if any
 * @param hasLooks false where nothing is changed yet
 */
export const stepsOf = (siteId: string, pageId: string, componentId?: string, hasLooks = true): readonly Step[] => [
  { label: 'Survey', to: surveyPath(siteId, pageId) },
  componentId === undefined
    ? { label: 'Style', to: undefined, why: 'Pick a component first' }
    : { label: 'Style', to: stylePath(siteId, pageId, componentId) },
  { label: 'Palette', to: palettePath(siteId, pageId, componentId) },
  hasLooks
    ? { label: 'Hand over', to: handoverPath(siteId, pageId, componentId) }
    : { label: 'Hand over', to: undefined, why: 'Nothing is changed yet' },
];
