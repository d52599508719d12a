import { propertyInfo } from '../css/property/table.js';
import { activeSettings, settingKey, type Look } from './model.js';

/** What a behaviour is set to is no style of any box. */
const movesNothing = (property: string): boolean => property.startsWith('--rq-') || propertyInfo(property).movesNothing;

/** Changes whenever a look says something that may move a box; empty for a look that moves nothing. */
export const layoutKey = (look: Look): string =>
  activeSettings(look)
    .filter(({ property }) => !movesNothing(property))
    .map((setting) => `${settingKey(setting)}=${setting.value}`)
    .sort()
    .join('\n');
