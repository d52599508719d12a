import { movesNothing } from '../css/property/moves-nothing.js';
import { activeSettings, settingKey, type Look } from './model.js';

/** What a behaviour is set to is no style of any box. */
const isStill = (property: string): boolean => property.startsWith('--rq-') || movesNothing(property);

/** Changes whenever a look says something that may move a box; empty for a look that moves nothing. */
export const layoutKey = (look: Look): string =>
  activeSettings(look)
    .filter(({ property }) => !isStill(property))
    .map((setting) => `${settingKey(setting)}=${setting.value}`)
    .sort()
    .join('\n');
