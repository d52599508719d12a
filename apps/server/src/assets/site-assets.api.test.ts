import 'reflect-metadata';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  pageSchema,
  problemSchema,
  recodedSchema,
  shippedFontListSchema,
  siteAssetListSchema,
  siteAssetSchema,
  uploadedAssetsSchema,
} from '@retoque/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { crc32 } from 'node:zlib';
import sharp from 'sharp';
import { createApp } from '../create-app.js';
import { ownPages } from '../testing/api.js';

let app: NestExpressApplication;
let siteId = '';
const api = () => ownPages(app);
const require = createRequire(import.meta.url);
/** Real files out of packages. */
const fontFile = (name: string) => readFile(require.resolve(`@fontsource-variable/${name}`));
const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#2a7f8e' } });

/** A PNG whose header claims other measures (PNG, third edition, sections 5.3 and 11.2.1). */
function claiming(png: Buffer, width: number, height: number): Buffer {
  const claimed = Buffer.from(png);
  claimed.writeUInt32BE(width, 16);
  claimed.writeUInt32BE(height, 20);
  claimed.writeUInt32BE(crc32(claimed.subarray(12, 29)), 29);
  return claimed;
}

beforeAll(async () => {
  app = await createApp();
  await app.init();
  const brought = await api()
    .post('/api/pages/from-paste')
    .send({
      site: { name: 'Files' },
      name: 'One',
      html: '<!doctype html><title>One</title><a href="#">x</a>',
      css: '',
    });
  siteId = pageSchema.parse(brought.body).siteId;
});
afterAll(() => app.close());

async function upload(...files: readonly (readonly [name: string, bytes: Buffer])[]) {
  let sent = api().post(`/api/sites/${siteId}/assets`);
  for (const [name, bytes] of files) sent = sent.attach('files', bytes, name);
  return uploadedAssetsSchema.parse((await sent.expect(201)).body);
}
const list = async () =>
  siteAssetListSchema.parse((await api().get(`/api/sites/${siteId}/assets`).expect(200)).body).assets;

describe('files of a site', () => {
  it('reads a picture by its bytes, serves it, and never keeps it twice', async () => {
    const bytes = await picture(40, 30).png().toBuffer();
    const { added, refused } = await upload(['Quay at dusk.JPG', bytes]);
    expect(refused).toEqual([]);
    expect(added[0]).toMatchObject({
      address: '/retoque/quay-at-dusk.png',
      contentType: 'image/png',
      picture: { width: 40, height: 30 },
      origin: 'uploaded',
    });
    const served = await api().get(`/api/assets/${added[0]!.hash}`).expect(200);
    expect(Buffer.compare(served.body as Buffer, bytes)).toBe(0);
    expect((await upload(['again.png', bytes])).added[0]!.id).toBe(added[0]!.id);
    const other = await picture(41, 30).png().toBuffer();
    expect((await upload(['quay at dusk.png', other])).added[0]!.address).toBe('/retoque/quay-at-dusk-2.png');
  });

  it('reads fonts that a package ships with their names, weights and axes', async () => {
    const { added } = await upload(
      ['a.woff2', await fontFile('lora/files/lora-latin-wght-normal.woff2')],
      ['b.woff2', await fontFile('lora/files/lora-latin-wght-italic.woff2')],
    );
    // As the package's own metadata.json says.
    expect(added.map(({ font }) => font)).toMatchObject([
      { family: 'Lora', style: 'normal', weight: { from: 400, to: 700 }, format: 'woff2' },
      { family: 'Lora', style: 'italic', weight: { from: 400, to: 700 } },
    ]);
    expect(added[0]!.font!.axes).toMatchObject([{ tag: 'wght', min: 400, max: 700 }]);
  });

  it('refuses what it cannot take, file by file, and keeps the rest', async () => {
    const good = await picture(3, 3).webp().toBuffer();
    const png = await picture(300, 300).png({ compressionLevel: 0 }).toBuffer();
    const font = await fontFile('work-sans/files/work-sans-latin-wght-normal.woff2');
    const huge = claiming(png, 10_000, 10_000);
    const { added, refused } = await upload(
      ['good.webp', good],
      ['not a font.woff2', Buffer.from('this is no font at all')],
      ['cut.woff2', font.subarray(0, 900)],
      ['text.png', Buffer.from('neither a picture')],
      ['cut.png', png.subarray(0, png.length / 2)],
      ['huge.png', huge],
      ['empty.png', Buffer.alloc(0)],
    );
    expect(added.map(({ name }) => name)).toEqual(['good.webp']);
    expect(refused.map(({ name }) => name)).toEqual([
      'not a font.woff2',
      'cut.woff2',
      'text.png',
      'cut.png',
      'huge.png',
      'empty.png',
    ]);
    const said = refused.map(({ problem }) => problem).join('\n');
    expect(said).toMatch(/not a font that browsers load/);
    expect(said).toMatch(/This font is broken/);
    expect(said).toMatch(/not a picture that browsers show/);
    expect(said).toMatch(/This picture is broken/);
    expect(said).toMatch(/100 megapixels \(10000 × 10000\); 60 megapixels is the most/);
    expect(said).toMatch(/empty/);
  });

  it('makes a picture smaller, cropped and in another format, and tells the weight before it is kept', async () => {
    const noisy = await sharp(Buffer.from(Array.from({ length: 400 * 200 * 3 }, (_v, i) => (i * 7919) % 251)), {
      raw: { width: 400, height: 200, channels: 3 },
    })
      .png()
      .toBuffer();
    const { added } = await upload(['noise.png', noisy]);
    const source = added[0]!.hash;
    const before = (await list()).length;
    const wanted = {
      source,
      name: 'noise small',
      crop: { left: 100, top: 0, width: 200, height: 200 },
      width: 100,
      format: 'webp',
      quality: 60,
    };
    const recode = async (keep: boolean) =>
      recodedSchema.parse(
        (
          await api()
            .post(`/api/sites/${siteId}/assets/recode`)
            .send({ ...wanted, keep })
            .expect(200)
        ).body,
      );
    const tried = await recode(false);
    expect(tried).toMatchObject({ before: noisy.length, width: 100, height: 100, asset: null });
    expect(await list()).toHaveLength(before);
    const kept = await recode(true);
    expect(kept.asset).toMatchObject({ origin: 'made', contentType: 'image/webp', size: tried.after });
    const outside = await api()
      .post(`/api/sites/${siteId}/assets/recode`)
      .send({ ...wanted, crop: { left: 300, top: 0, width: 200, height: 200 }, keep: true })
      .expect(400);
    expect(problemSchema.parse(outside.body).detail).toMatch(/reaches beyond the picture/);
  });

  it('adds an open font that comes with it', async () => {
    const { fonts } = shippedFontListSchema.parse((await api().get('/api/fonts').expect(200)).body);
    expect(fonts.length).toBeGreaterThan(5);
    for (const { id, licence } of fonts) {
      expect(licence).toBe('OFL-1.1');
      const { body } = await api().get(`/api/fonts/${id}/file`).expect(200).expect('content-type', 'font/woff2');
      expect((body as Buffer).subarray(0, 4).toString('latin1')).toBe('wOF2');
    }
    const add = () => api().post(`/api/sites/${siteId}/assets/shipped-font`).send({ id: 'fraunces' }).expect(201);
    const asset = siteAssetSchema.parse((await add()).body);
    expect(asset).toMatchObject({ origin: 'shipped', font: { family: 'Fraunces' } });
    expect(siteAssetSchema.parse((await add()).body).id).toBe(asset.id);
    await api().post(`/api/sites/${siteId}/assets/shipped-font`).send({ id: '../lora' }).expect(404);
  });

  it('deletes and brings back', async () => {
    const [first] = await list();
    await api().delete(`/api/sites/${siteId}/assets/${first!.id}`).expect(204);
    expect((await list()).some(({ id }) => id === first!.id)).toBe(false);
    await api().post(`/api/sites/${siteId}/assets/${first!.id}/restore`).expect(200);
    expect((await list()).some(({ id }) => id === first!.id)).toBe(true);
    await api().delete(`/api/sites/${siteId}/assets/${siteId}`).expect(404);
  });
});
