/** (ids, classes, types). Source: Selectors 4, section 17. */
export type Specificity = readonly [number, number, number];

export const NO_SPECIFICITY: Specificity = [0, 0, 0];

export const compareSpecificity = (a: Specificity, b: Specificity): number => a[0] - b[0] || a[1] - b[1] || a[2] - b[2];

export const addSpecificity = (a: Specificity, b: Specificity): Specificity => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

export const maxSpecificity = (list: readonly Specificity[]): Specificity =>
  list.reduce((best, next) => (compareSpecificity(next, best) > 0 ? next : best), NO_SPECIFICITY);

/** The heavier of two. */
export const heavierOf = (a: Specificity, b: Specificity): Specificity => (compareSpecificity(b, a) > 0 ? b : a);
