/** Source of a pattern for colours that are written out: hex digits, or a function of CSS with one level of brackets in it. */
export const WRITTEN_COLOUR = String.raw`#[0-9a-f]{3,8}\b|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\((?:[^()]|\([^()]*\))*\)`;
