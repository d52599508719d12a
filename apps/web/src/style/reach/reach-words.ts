import type { Look, PageReach } from '@retoque/core';

/** True once a look says something for every page. */
export const isForEveryPage = ({ settings }: Look): boolean => settings.some(({ when }) => when.page === undefined);

const plural = (n: number, one: string) => `${n} ${n === 1 ? one : `${one}s`}`;

/** How far a look reaches beyond the page in hand; empty where it does not. */
export function reachElsewhere(reach: readonly PageReach[], pageId: string): string {
  const others = reach.filter((page) => page.pageId !== pageId);
  if (!others.length) return '';
  const elements = others.reduce((sum, page) => sum + page.elements, 0);
  return `${elements} more on ${plural(others.length, 'other page')}`;
}
