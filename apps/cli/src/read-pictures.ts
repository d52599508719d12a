import { pageReferences, sheetReferences, type PageSession } from '@retoque/core';
import { decodePicture, UndecodableError } from '@retoque/decode';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { oneLine } from './failure.js';

const PICTURE = /\.(png|jpe?g|webp|avif|gif|svg)$/i;
const DATA = /^data:image\/[a-z0-9.+-]+(;[^,]*)?,/i;

/** Bytes of a picture on this machine or in the page itself; undefined for others. */
function bytesOf(address: string): Uint8Array | undefined {
  if (DATA.test(address)) {
    const comma = address.indexOf(',');
    const body = decodeURIComponent(address.slice(comma + 1));
    return /;base64,/i.test(address.slice(0, comma + 1)) ? Buffer.from(body, 'base64') : Buffer.from(body, 'utf8');
  }
  if (!address.startsWith('file:') || !PICTURE.test(address.split(/[?#]/)[0]!)) return undefined;
  return readFileSync(fileURLToPath(address.split(/[?#]/)[0]!));
}

/** Decodes the pictures that a page and its sheets ask for; what is not on this machine is left out, and said. */
export async function readPictures(page: PageSession, warn: (message: string) => void): Promise<void> {
  const { address, sheets, more = [] } = page.source;
  const wanted = new Set([
    ...pageReferences(page.tree, address).assets,
    ...[...sheets, ...more].flatMap((sheet) => sheetReferences(sheet.text, sheet.address).assets),
  ]);
  for (const one of wanted) {
    try {
      const bytes = bytesOf(one);
      if (!bytes) continue;
      page.measures.setWeight(one, bytes.length);
      page.measures.setPicture(one, await decodePicture(bytes));
    } catch (error) {
      if (!(error instanceof UndecodableError) && (error as NodeJS.ErrnoException).code === undefined) throw error;
      warn(`${one.slice(0, 120)} cannot be read as a picture: ${oneLine((error as Error).message)}.`);
      // A browser would not show it either.
      page.measures.setPicture(one, null);
    }
  }
}
