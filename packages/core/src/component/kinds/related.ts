/** Kinds whose parts are to their users what those of the others are, so that a look of one is a look for another too. */
const RELATED: readonly (readonly string[])[] = [
  ['button', 'link'],
  ['menu', 'link-list', 'breadcrumb', 'pagination', 'tabs'],
  ['card', 'panel', 'dialog', 'accordion'],
  ['announcement', 'cookie-notice', 'ticker', 'countdown'],
  ['form', 'sign-in'],
];

/** Names of the kinds that are related to one, without itself. */
export const relatedKinds = (kind: string): readonly string[] =>
  RELATED.flatMap((kinds) => (kinds.includes(kind) ? kinds.filter((other) => other !== kind) : []));
