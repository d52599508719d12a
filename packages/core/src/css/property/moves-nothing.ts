const MOVES_NOTHING =
  /^(color|background-(color|image|blend-mode|size|repeat|attachment|origin|clip|position-[xy])|border-(top|right|bottom|left)-color|border-.*-radius|outline-.*|box-shadow|text-shadow|text-decoration-.*|opacity|fill|stroke|cursor|caret-color|accent-color|transition-.*|filter|backdrop-filter|visibility|mix-blend-mode|-webkit-text-fill-color|-webkit-text-stroke-color)$/;

/** Whether a value of a property leaves every box where it was; by itself, as screens ask it that do without the table. */
export const movesNothing = (property: string): boolean => MOVES_NOTHING.test(property);
