import type { Page } from '@playwright/test';
import sharp from 'sharp';
import {
  DESKTOP,
  geometryOf,
  PageSession,
  pixelOf,
  rasters,
  sceneFor,
  selectAll,
  type Box,
  type Looking,
  type PixelField,
} from '../../packages/core/dist/index.js';
import { decodePicture } from '../../packages/decode/dist/index.js';
import { measuredIn } from './measure';

const ORIGIN = 'http://pixels.invalid';

export interface Shot {
  readonly width: number;
  readonly data: Uint8Array;
}

/** A picture whose pixels are all known: a wave of colours, or of colours that let something through. */
export async function madePicture(width: number, height: number, alpha: boolean): Promise<Buffer> {
  const data = Buffer.alloc(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = (y * width + x) * 4;
      data[at] = (x * 7 + y * 3) % 256;
      data[at + 1] = (x * 2 + y * 11) % 256;
      data[at + 2] = (x * 5 + y * 5) % 256;
      data[at + 3] = alpha ? (x * 13 + y) % 256 : 255;
    }
  }
  return sharp(data, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
}

/** A page in Chromium, photographed, beside the same page in the core. */
export interface Beside {
  readonly session: PageSession;
  readonly looking: Looking;
  readonly shot: Shot;
}

/** Shows a page with pictures to both, measures it in Chromium and takes its picture. */
export async function photograph(
  page: Page,
  body: string,
  css: string,
  pictures: Readonly<Record<string, Buffer>> = {},
): Promise<Beside> {
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><style>${css}</style></head><body>${body}</body></html>`;
  await page.unrouteAll();
  await page.route('**/*', (route) => {
    const { pathname } = new URL(route.request().url());
    const picture = pictures[pathname.slice(1)];
    if (picture) return route.fulfill({ contentType: 'image/png', body: picture });
    if (pathname === '/') return route.fulfill({ contentType: 'text/html; charset=utf-8', body: html });
    return route.fulfill({ status: 404, body: '' });
  });
  await page.goto(`${ORIGIN}/`, { waitUntil: 'load' });
  const session = new PageSession({ html, address: `${ORIGIN}/`, sheets: [] });
  const size = page.viewportSize()!;
  session.measures.setGeometry(geometryOf(size, await measuredIn(page)));
  for (const [name, bytes] of Object.entries(pictures)) {
    session.measures.setPicture(`${ORIGIN}/${name}`, await decodePicture(bytes));
  }
  const view = session.stylesFor({ ...DESKTOP, ...size }).at();
  const { data, info } = await sharp(await page.screenshot())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { session, looking: session.measures.looking(view), shot: { width: info.width, data } };
}

export interface PixelDifference {
  readonly x: number;
  readonly y: number;
  readonly core: readonly number[];
  readonly chromium: readonly number[];
}

/** Pixels of an area whose channels differ by more than a tolerance; the element's own text is not painted. */
export function differences(
  beside: Beside,
  area: Box,
  tolerance: number,
): { compared: number; found: PixelDifference[] } {
  const { looking, shot, session } = beside;
  const scene = sceneFor(looking, { element: session.tree.root }, area);
  if (scene.doubt) throw new Error(`The core is not sure: ${scene.doubt}`);
  const found: PixelDifference[] = [];
  let compared = 0;
  for (const raster of rasters(scene.nodes, area)) {
    for (let i = 0; i < raster.width * raster.height; i++) {
      const x = raster.x + (i % raster.width);
      const y = raster.y + Math.floor(i / raster.width);
      const core = pixelOf(raster, i).without;
      const at = (y * shot.width + x) * 4;
      const chromium = [...shot.data.subarray(at, at + 3)];
      compared++;
      if (core.some((value, k) => Math.abs(value - chromium[k]!) > tolerance)) found.push({ x, y, core, chromium });
    }
  }
  return { compared, found };
}

/** The colour of a text of eight letters in one of its first line, in the core and on the screen; its glyphs fill their boxes. */
export function inked(beside: Beside, selector: string): { core: readonly number[]; chromium: readonly number[] } {
  const { looking, session, shot } = beside;
  const element = selectAll(session.tree, selector)[0]!;
  const [line] = looking.geometry!.elements.get(element.order)!.lines;
  // In the middle of a letter, since translucent ones that touch lie over each other.
  const [x, y] = [Math.floor(line!.x + (line!.width * 3.5) / 8), Math.floor(line!.y + line!.height / 2)];
  const area = { x, y, width: 1, height: 1 };
  const colour = looking.view.of(element).colour('-webkit-text-fill-color');
  const scene = sceneFor(looking, { element, colour }, area);
  const [raster] = [...rasters(scene.nodes, area)];
  const at = (y * shot.width + x) * 4;
  return { core: pixelOf(raster!, 0).withMark, chromium: [...shot.data.subarray(at, at + 3)] };
}

export const boxOf = ({ looking, session }: Beside, selector: string): Box =>
  looking.geometry!.elements.get(selectAll(session.tree, selector)[0]!.order)!.box;

export type { PixelField };
