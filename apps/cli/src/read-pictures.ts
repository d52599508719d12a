import { pageReferences, sheetReferences, TOO_COSTLY, type PageSession } from '@retoque/core';
import { decodePicture, readData, UndecodableError } from '@retoque/decode';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { oneLine } from './failure.js';

const PICTURE = /\.(png|jpe?g|webp|avif|gif|svg)$/i;

/** Bytes of a picture on this machine or in the page itself; undefined for others. */
async function bytesOf(address: string): Promise<Uint8Array | undefined> {
  if (address.startsWith('data:')) return (await readData(address))?.bytes;
  if (!address.startsWith('file:') || !PICTURE.test(address.split(/[?#]/)[0]!)) return undefined;
  return readFileSync(fileURLToPath(address.split(/[?#]/)[0]!));
}

/** Decodes the pictures that a page and its sheets ask for; what is not on this machine is left out, and said. */
export async function readPictures(page: PageSession, warn: (message: string) => void): Promise<void> {
  const { address, sheets, more = [] } = page.source;
  const found = [
    pageReferences(page.tree, address),
    ...[...sheets, ...more].map((sheet) => sheetReferences(sheet.text, sheet.address)),
  ];
  const wanted = new Set(found.flatMap(({ assets, data }) => [...assets, ...data]));
  // All at once: they are decoded outside of this thread.
  const decoded = [...wanted].map(async (one) => {
    const bytes = await bytesOf(one);
    return bytes && { weight: bytes.length, picture: await decodePicture(bytes) };
  });
  const settled = await Promise.allSettled(decoded);
  [...wanted].forEach((one, i) => {
    const answer = settled[i]!;
    if (answer.status === 'fulfilled') {
      if (!answer.value) return;
      page.measures.setWeight(one, answer.value.weight);
      page.measures.setPicture(one, answer.value.picture);
      return;
    }
    const error = answer.reason as Error;
    if (!(error instanceof UndecodableError) && (error as NodeJS.ErrnoException).code === undefined) throw error;
    warn(`${one.slice(0, 120)} cannot be read as a picture: ${oneLine(error.message)}.`);
    const isCostly = error instanceof UndecodableError && error.costly !== undefined;
    // What is broken a browser would not show either.
    page.measures.setPicture(one, isCostly ? TOO_COSTLY : null);
  });
}
