import { activeSettings, settingKey, type Look } from './model.js';

/** Properties that move nothing: what they are set to leaves every box where it was. */
const PAINT_ONLY =
  /^(--rq-.*|color|background-(color|image|blend-mode|size|repeat|attachment|origin|clip|position-[xy])|border-(top|right|bottom|left)-color|border-.*-radius|outline-.*|box-shadow|text-shadow|text-decoration-.*|opacity|fill|stroke|cursor|caret-color|accent-color|transition-.*|filter|backdrop-filter|visibility|mix-blend-mode|-webkit-text-fill-color|-webkit-text-stroke-color)$/;

/** Changes whenever a look says something that may move a box; empty for a look that moves nothing. */
export const layoutKey = (look: Look): string =>
  activeSettings(look)
    .filter(({ property }) => !PAINT_ONLY.test(property))
    .map((setting) => `${settingKey(setting)}=${setting.value}`)
    .sort()
    .join('\n');
