import { readFileSync } from 'node:fs';
import { fileURLToPath, pathToFileURL } from 'node:url';
import {
  PageSession,
  PageTooLargeError,
  pageReferences,
  parseHtml,
  sheetReferences,
  type KnownMeasures,
  type StoredSheet,
} from '@retoque/core';
import { Failure, oneLine } from './failure.js';
import { locate } from './locate.js';

const DECODER = new TextDecoder('utf-8', { fatal: true });
const MAX_BYTES = 20_000_000;

function readText(path: string): string {
  let bytes: Buffer;
  try {
    bytes = readFileSync(path);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    const why =
      code === 'ENOENT'
        ? 'there is no such file'
        : code === 'EISDIR'
          ? 'it is a folder'
          : oneLine((error as Error).message);
    throw new Failure(`${path} cannot be read: ${why}.`);
  }
  if (bytes.length > MAX_BYTES) throw new Failure(`${path} is larger than ${MAX_BYTES / 1e6} MB.`);
  try {
    return DECODER.decode(bytes);
  } catch {
    throw new Failure(`${path} is not text in UTF-8.`);
  }
}

/** A stylesheet on this machine; undefined when it lies elsewhere or cannot be read. */
function readLinked(address: string): string | undefined {
  if (!address.startsWith('file:')) return undefined;
  try {
    return readText(fileURLToPath(address.split(/[?#]/)[0]!));
  } catch {
    return undefined;
  }
}

export interface ReadOptions {
  readonly css: readonly string[];
  readonly measures?: KnownMeasures | undefined;
  readonly warn: (message: string) => void;
}

/** Reads a page with the sheets that it links and imports, and further ones behind them. */
export function readPage(file: string, options: ReadOptions): PageSession {
  const path = locate(file);
  const html = readText(path);
  if (html.trim() === '') throw new Failure(`${file} is empty.`);
  if (html.includes('\u0000')) throw new Failure(`${file} is not an HTML page: it holds null characters.`);
  if (!/<[a-z!]/i.test(html)) throw new Failure(`${file} is not an HTML page: it has no elements.`);
  const address = pathToFileURL(path).href;
  const extra = options.css.map((name): StoredSheet => ({
    address: pathToFileURL(locate(name)).href,
    text: readText(locate(name)),
  }));
  try {
    const tree = parseHtml(html);
    const sheets = new Map<string, StoredSheet>();
    const queue = [...pageReferences(tree, address).sheets];
    for (const sheet of extra) queue.push(...sheetReferences(sheet.text, sheet.address).sheets);
    for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
      if (sheets.has(at)) continue;
      const text = readLinked(at);
      if (text === undefined) {
        options.warn(`${at} is linked by the page and cannot be read; it is left out.`);
        continue;
      }
      sheets.set(at, { address: at, text });
      queue.push(...sheetReferences(text, at).sheets);
    }
    return new PageSession({ html, address, sheets: [...sheets.values()], more: extra }, options.measures);
  } catch (error) {
    if (error instanceof PageTooLargeError) throw new Failure(`${file}: ${error.message}`);
    throw error;
  }
}
