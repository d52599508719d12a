import { lookup } from '@retoque/core';
/** What owners' files may be served as; anything else is served as plain bytes. */
const SERVED = new Set([
  'image/png',
  'image/jpeg',
  'image/gif',
  'image/webp',
  'image/avif',
  'image/svg+xml',
  'image/bmp',
  'image/x-icon',
  'font/woff2',
  'font/woff',
  'font/ttf',
  'font/otf',
]);

const BY_ENDING: Readonly<Record<string, string>> = lookup({
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
  avif: 'image/avif',
  svg: 'image/svg+xml',
  bmp: 'image/bmp',
  ico: 'image/x-icon',
  woff2: 'font/woff2',
  woff: 'font/woff',
  ttf: 'font/ttf',
  otf: 'font/otf',
});

/** Kinds of asset file that a page may bring, by declared type or else by the ending of its name. */
export function assetType(declared: string | undefined, name: string): string | undefined {
  const plain = declared?.split(';')[0]!.trim().toLowerCase();
  const known = plain === 'image/vnd.microsoft.icon' ? 'image/x-icon' : plain;
  if (known && SERVED.has(known)) return known;
  return BY_ENDING[/\.([a-z0-9]+)$/i.exec(name.split(/[?#]/)[0]!)?.[1]?.toLowerCase() ?? ''];
}

export const servedType = (contentType: string): string =>
  SERVED.has(contentType) ? contentType : 'application/octet-stream';
