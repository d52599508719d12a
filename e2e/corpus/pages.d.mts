import type { PageSession } from '../../packages/core/dist/index.js';

export const PAGES: readonly { readonly page: string }[];
export function readPage(path: string, rename?: (name: string) => string): PageSession;
