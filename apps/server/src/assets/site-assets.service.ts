import { Injectable } from '@nestjs/common';
import type { Recode, Recoded, SiteAsset, UploadedAssets } from '@retoque/contract';
import { and, asc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { OwnerScope } from '../database/owner-scope.js';
import { siteAssets } from '../database/schema.js';
import { notFound, problem } from '../http/problem.js';
import { PicturesService } from '../pictures/pictures.service.js';
import { SitesService } from '../sites/sites.service.js';
import { ASSET_LIMITS, megabytes, RefusedFileError } from '../storage/asset-limits.js';
import { getBlob, hashOf, putBlobs } from './blob-store.js';
import { readFont } from './read-font.js';
import { shippedFontFile, shippedFonts } from './shipped-fonts.js';

/** The folder on the owner's site that the files of looks go to. */
const FOLDER = '/retoque/';

interface NewAsset extends Pick<SiteAsset, 'name' | 'contentType' | 'origin' | 'picture' | 'font'> {
  readonly bytes: Buffer;
}

const describe = (row: typeof siteAssets.$inferSelect): SiteAsset => ({
  id: row.id,
  name: row.name,
  address: row.address,
  hash: row.hash,
  contentType: row.contentType,
  size: row.size,
  origin: row.origin,
  picture: row.picture ?? null,
  font: row.font ?? null,
  createdAt: row.createdAt.toISOString(),
});

/** A file's name as an address can hold it, with the ending of what it really is. */
function fileName(name: string, contentType: string): string {
  const ending = contentType === 'image/svg+xml' ? 'svg' : contentType.split('/')[1]!.replace('jpeg', 'jpg');
  const stem = name
    .replace(/\.[a-z0-9]{2,5}$/i, '')
    .normalize('NFKD')
    .split(/[^\w]+/)
    .filter(Boolean)
    .join('-')
    .toLowerCase()
    .slice(0, 60);
  return `${stem || 'file'}.${ending}`;
}

@Injectable()
export class SiteAssetsService {
  constructor(
    private readonly sites: SitesService,
    private readonly pictures: PicturesService,
  ) {}

  async list(scope: OwnerScope, siteId: string): Promise<SiteAsset[]> {
    await this.sites.get(scope, siteId);
    const rows = await scope.select(siteAssets, and(eq(siteAssets.siteId, siteId), isNull(siteAssets.deletedAt)), {
      orderBy: asc(siteAssets.createdAt),
    });
    return rows.map(describe);
  }

  /** Takes what can be taken, and says of every other file why not. */
  async upload(
    scope: OwnerScope,
    siteId: string,
    files: readonly { name: string; bytes: Buffer }[],
  ): Promise<UploadedAssets> {
    await this.sites.get(scope, siteId);
    if (!files.length) throw problem('invalid', 400, 'There is no file', 'Choose pictures or fonts to upload.');
    const added: SiteAsset[] = [];
    const refused: UploadedAssets['refused'] = [];
    for (const { name, bytes } of files) {
      try {
        added.push(
          await this.add(scope, siteId, { name, bytes, origin: 'uploaded', ...(await this.read(name, bytes)) }),
        );
      } catch (error) {
        if (!(error instanceof RefusedFileError)) throw error;
        refused.push({ name, problem: error.message });
      }
    }
    return { added, refused };
  }

  /** @throws RefusedFileError */
  private async read(name: string, bytes: Buffer): Promise<Pick<NewAsset, 'contentType' | 'picture' | 'font'>> {
    if (!bytes.length) throw new RefusedFileError('This file is empty.');
    if (bytes.length > ASSET_LIMITS.fileBytes) {
      throw new RefusedFileError(
        `This file has ${megabytes(bytes.length)}; ${megabytes(ASSET_LIMITS.fileBytes)} is the most.`,
      );
    }
    if (/\.(woff2?|ttf|otf|ttc|eot)$/i.test(name)) return { ...readFont(bytes), picture: null };
    const { contentType, width, height } = await this.pictures.read(bytes);
    return { contentType, picture: { width, height }, font: null };
  }

  /** Stores a file; one that the site has already is not added again. */
  private async add(scope: OwnerScope, siteId: string, { bytes, ...facts }: NewAsset): Promise<SiteAsset> {
    return scope.transaction(async (inner) => {
      const hash = hashOf(bytes);
      const known = await inner.select(siteAssets, eq(siteAssets.siteId, siteId), { forUpdate: true });
      const same = known.find((row) => row.hash === hash);
      if (same) {
        const [back] = await inner.update(siteAssets, { deletedAt: null }, eq(siteAssets.id, same.id));
        return describe(back!);
      }
      const taken = new Set(known.map((row) => row.address));
      const own = fileName(facts.name, facts.contentType);
      const [stem, ending] = [own.slice(0, own.lastIndexOf('.')), own.slice(own.lastIndexOf('.'))];
      let address = FOLDER + own;
      for (let n = 2; taken.has(address); n++) address = `${FOLDER}${stem}-${n}${ending}`;
      await putBlobs(inner, [{ address, contentType: facts.contentType, bytes }]);
      const name = address.slice(FOLDER.length);
      const [row] = await inner.insert(siteAssets, { ...facts, name, siteId, address, hash, size: bytes.length });
      return describe(row!);
    });
  }

  async addShippedFont(scope: OwnerScope, siteId: string, id: string): Promise<SiteAsset> {
    await this.sites.get(scope, siteId);
    const bytes = await shippedFontFile(id);
    const shipped = (await shippedFonts()).find((font) => font.id === id);
    if (!bytes || !shipped) throw notFound('The font');
    const { contentType, font } = readFont(bytes);
    return this.add(scope, siteId, {
      name: `${id}.woff2`,
      bytes,
      contentType,
      origin: 'shipped',
      picture: null,
      font: { ...font, family: shipped.family, licence: shipped.licence },
    });
  }

  /** Makes a picture from one that is stored; kept only when that is asked for. */
  async recode(scope: OwnerScope, siteId: string, wanted: Recode): Promise<Recoded> {
    await this.sites.get(scope, siteId);
    const source = await getBlob(scope, wanted.source);
    if (!source?.contentType.startsWith('image/')) throw notFound('The picture');
    try {
      const { bytes, contentType, width, height } = await this.recodeStored(source.bytes, wanted);
      const picture = { width, height };
      const asset = wanted.keep
        ? await this.add(scope, siteId, { name: wanted.name, bytes, contentType, origin: 'made', picture, font: null })
        : null;
      return { before: source.size, after: bytes.length, width, height, asset };
    } catch (error) {
      if (error instanceof RefusedFileError)
        throw problem('invalid', 400, 'The picture cannot be made so', error.message);
      throw error;
    }
  }

  private async recodeStored(bytes: Buffer, { crop, width, format, quality }: Recode) {
    const made = await this.pictures.recode(bytes, { crop, width, format, quality });
    return { ...made, bytes: Buffer.from(made.bytes) };
  }

  async remove(scope: OwnerScope, siteId: string, id: string): Promise<void> {
    const live = and(eq(siteAssets.siteId, siteId), eq(siteAssets.id, id), isNull(siteAssets.deletedAt))!;
    const [row] = await scope.update(siteAssets, { deletedAt: new Date() }, live);
    if (!row) throw notFound('The file');
  }

  async restore(scope: OwnerScope, siteId: string, id: string): Promise<SiteAsset> {
    const deleted = and(eq(siteAssets.siteId, siteId), eq(siteAssets.id, id), isNotNull(siteAssets.deletedAt))!;
    const [row] = await scope.update(siteAssets, { deletedAt: null }, deleted);
    if (!row) throw notFound('A deleted file with that id');
    return describe(row);
  }
}
