import { Injectable } from '@nestjs/common';
import type { AddChange, Page, SiteChoice } from '@retoque/contract';
import { PageTooLargeError } from '@retoque/core';
import { and, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import { PixelFields } from '../assets/pixel-fields.js';
import { getTexts, putBlobs, toStored, type BroughtFile } from '../assets/blob-store.js';
import { readConfig } from '../config.js';
import type { OwnerScope } from '../database/owner-scope.js';
import { pageChanges, pages, pageVersions } from '../database/schema.js';
import { notFound, problem } from '../http/problem.js';
import { pageSummaries, SitesService } from '../sites/sites.service.js';
import { applyChanges, changesOf, withChanges, type BareVersion } from './changes.js';
import type { BroughtPage } from './import/bring.js';
import { fromAddress } from './import/from-address.js';
import { PageReaderService } from './import/page-reader.js';
import { fromPaste, fromUpload } from './import/from-files.js';
import type { UploadedFile } from './import/uploaded-file.js';

const MAX_NAME = 120;

@Injectable()
export class PagesService {
  constructor(
    private readonly sites: SitesService,
    private readonly fields: PixelFields,
    private readonly reader: PageReaderService,
  ) {}

  async bringFromAddress(
    scope: OwnerScope,
    choice: SiteChoice,
    address: string,
    cancelled: AbortSignal,
  ): Promise<Page> {
    const brought = await fromAddress(address, readConfig().practiceOrigin, cancelled, this.reader);
    return this.store(scope, choice, 'address', brought, titleOrPath(brought));
  }

  async bringFromPaste(scope: OwnerScope, choice: SiteChoice, name: string, html: string, css: string): Promise<Page> {
    return this.store(scope, choice, 'paste', await fromPaste(html, css, this.reader), name);
  }

  async bringFromUpload(
    scope: OwnerScope,
    choice: SiteChoice,
    files: readonly UploadedFile[],
    page?: string,
  ): Promise<Page> {
    const brought = await fromUpload(files, this.reader, page);
    return this.store(scope, choice, 'upload', brought, titleOrPath(brought));
  }

  /** Fetches the page again; a new version follows when anything has changed. */
  async refresh(scope: OwnerScope, id: string, cancelled: AbortSignal): Promise<Page> {
    const page = await this.get(scope, id);
    const current = await this.newestVersion(scope, id, page.address);
    if (page.source !== 'address') {
      throw problem('invalid', 422, 'That page has no address to fetch it from', 'Upload or paste it again instead.');
    }
    const brought = await fromAddress(page.address, readConfig().practiceOrigin, cancelled, this.reader);
    const same = brought.html === current.html && JSON.stringify(brought.sheets) === JSON.stringify(current.sheets);
    if (!same) {
      await scope.transaction(async (inner) => {
        await this.addVersion(inner, id, current.number + 1, brought);
      });
    }
    return this.get(scope, id);
  }

  async get(scope: OwnerScope, id: string): Promise<Page> {
    const row = await scope.first(pages, and(eq(pages.id, id), isNull(pages.deletedAt)));
    if (!row) throw notFound('The page');
    const summary = (await pageSummaries(scope, [row.siteId])).find((page) => page.id === id)!;
    const version = await this.newestVersion(scope, id, row.address);
    return { ...summary, version: withChanges(version, await changesOf(scope, id)) };
  }

  async remove(scope: OwnerScope, id: string): Promise<void> {
    const [row] = await scope.update(pages, { deletedAt: new Date() }, and(eq(pages.id, id), isNull(pages.deletedAt))!);
    if (!row) throw notFound('The page');
  }

  async restore(scope: OwnerScope, id: string): Promise<Page> {
    const [row] = await scope.update(pages, { deletedAt: null }, and(eq(pages.id, id), isNotNull(pages.deletedAt))!);
    if (!row) throw notFound('A deleted page with that id');
    return this.get(scope, id);
  }

  /**
   * Adds a change once it was made on the page as it is: what cannot be made is not stored.
   *
   * @throws ProblemException 422 when the place is not on the page, or the page would go past its bounds
   */
  async addChange(scope: OwnerScope, id: string, change: AddChange): Promise<Page> {
    return scope.transaction(async (inner) => {
      // One change after the other, so that each is tried on the page that it will stand on.
      await inner.first(pages, eq(pages.id, id), { forUpdate: true });
      const page = await this.get(inner, id);
      try {
        const [fits] = applyChanges(page.version.html, [change]).applied;
        if (!fits) {
          throw problem(
            'invalid',
            422,
            'That place is not on the page',
            'Point at another element; the page itself cannot be replaced.',
          );
        }
      } catch (error) {
        if (error instanceof PageTooLargeError) throw problem('invalid', 422, 'That cannot be added', error.message);
        throw error;
      }
      await inner.insert(pageChanges, { ...change, pageId: id });
      return this.get(inner, id);
    });
  }

  async removeChange(scope: OwnerScope, id: string, changeId: string): Promise<Page> {
    const live = and(eq(pageChanges.pageId, id), eq(pageChanges.id, changeId), isNull(pageChanges.deletedAt))!;
    const [row] = await scope.update(pageChanges, { deletedAt: new Date() }, live);
    if (!row) throw notFound('The change');
    return this.get(scope, id);
  }

  async restoreChange(scope: OwnerScope, id: string, changeId: string): Promise<Page> {
    const deleted = and(eq(pageChanges.pageId, id), eq(pageChanges.id, changeId), isNotNull(pageChanges.deletedAt))!;
    const [row] = await scope.update(pageChanges, { deletedAt: null }, deleted);
    if (!row) throw notFound('A change that was taken back, with that id,');
    return this.get(scope, id);
  }

  private async newestVersion(scope: OwnerScope, pageId: string, address: string): Promise<BareVersion> {
    const version = await scope.first(pageVersions, eq(pageVersions.pageId, pageId), {
      orderBy: desc(pageVersions.number),
    });
    if (!version) throw notFound('A version of the page');
    const texts = await getTexts(scope, [version.htmlHash, ...version.sheets.map((sheet) => sheet.hash)]);
    return {
      id: version.id,
      pageId,
      number: version.number,
      createdAt: version.createdAt.toISOString(),
      address,
      html: texts.get(version.htmlHash)!,
      sheets: version.sheets.map((sheet) => ({ address: sheet.address, text: texts.get(sheet.hash)! })),
      assets: version.assets,
      removed: version.removed,
      notes: version.notes,
    };
  }

  /** All of it or nothing: site, page, version and files are stored in one transaction. */
  private async store(
    scope: OwnerScope,
    choice: SiteChoice,
    source: 'address' | 'upload' | 'paste',
    brought: BroughtPage,
    name: string,
  ): Promise<Page> {
    const id = await scope.transaction(async (inner) => {
      const siteId = await this.sites.choose(inner, choice);
      const [page] = await inner.insert(pages, {
        siteId,
        name: name.slice(0, MAX_NAME),
        address: brought.address,
        source,
      });
      await this.addVersion(inner, page!.id, 1, brought);
      return page!.id;
    });
    await this.fields.prepare(scope, brought.assets.map(toStored));
    return this.get(scope, id);
  }

  private async addVersion(scope: OwnerScope, pageId: string, number: number, brought: BroughtPage): Promise<void> {
    const text = (address: string, contentType: string, value: string): BroughtFile => ({
      address,
      contentType,
      bytes: Buffer.from(value, 'utf8'),
    });
    const [html] = await putBlobs(scope, [text(brought.address, 'text/html; charset=utf-8', brought.html)]);
    const sheets = await putBlobs(
      scope,
      brought.sheets.map((sheet) => text(sheet.address, 'text/css; charset=utf-8', sheet.text)),
    );
    const assets = await putBlobs(scope, brought.assets);
    await scope.insert(pageVersions, {
      pageId,
      number,
      htmlHash: html!.hash,
      sheets,
      assets,
      removed: brought.removed,
      notes: [...brought.notes],
    });
  }
}

/** A page's title without the site's name behind a separator; else the end of its address. */
function titleOrPath(page: BroughtPage): string {
  return page.title || new URL(page.address).pathname.split('/').filter(Boolean).at(-1) || page.address;
}

export type { UploadedFile };
