/** Words that every property takes (CSS Cascade 5, section 7.3). */
export const CSS_WIDE: ReadonlySet<string> = new Set([
  'inherit',
  'initial',
  'unset',
  'revert',
  'revert-layer',
  'revert-rule',
]);
