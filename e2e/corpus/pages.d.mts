import type { PageSession, PageSource } from '../../packages/core/dist/index.js';

export const PAGES: readonly { readonly page: string }[];
export const packages: string;
export const ORIGIN: string;
export function randomFrom(seed: number): () => number;
export function sourceOf(path: string, rename?: (name: string) => string): PageSource;
export function readPage(path: string, rename?: (name: string) => string): PageSession;
