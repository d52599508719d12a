import { test } from '@playwright/test';

/**
 * Carries out thousands of calls to the browser as one step. For a call that stands in no step the runner looks through
 * all steps so far, which takes longer the more there are.
 */
export const asOneStep = <T>(work: () => Promise<T>): Promise<T> => test.step('All calls as one step', work);
