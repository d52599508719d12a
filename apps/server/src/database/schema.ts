import type { PageChangeRecord, SiteAsset, SitePaletteData } from '@retoque/contract';
import type { StoredGeometry } from '@retoque/core';
import { isNull, sql } from 'drizzle-orm';
import {
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { bytes, createdAt, deletedAt, ofSite, ownerId } from './base-tables.js';

export { owners, sites } from './base-tables.js';
export * from './job-tables.js';

export const pages = pgTable(
  'pages',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    siteId: uuid('site_id').notNull(),
    name: text('name').notNull(),
    address: text('address').notNull(),
    source: text('source', { enum: ['address', 'upload', 'paste'] }).notNull(),
    createdAt: createdAt(),
    deletedAt: deletedAt(),
  },
  (table) => [unique().on(table.ownerId, table.id), index().on(table.siteId), ofSite(table)],
);

/** Contents by their SHA-256, stored once for each owner. */
export const blobs = pgTable(
  'blobs',
  {
    ownerId: ownerId(),
    hash: text('hash').notNull(),
    contentType: text('content_type').notNull(),
    size: integer('size').notNull(),
    bytes: bytes('bytes').notNull(),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.ownerId, table.hash] })],
);

export interface StoredFile {
  address: string;
  hash: string;
  contentType: string;
  size: number;
}

export interface RemovedParts {
  scripts: number;
  handlers: number;
  plugins: number;
  refreshes: number;
  frames: number;
}

/** A page as it was when it was brought; never changed, only followed by a newer one. */
export const pageVersions = pgTable(
  'page_versions',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    pageId: uuid('page_id').notNull(),
    number: integer('number').notNull(),
    htmlHash: text('html_hash').notNull(),
    sheets: jsonb('sheets').$type<StoredFile[]>().notNull(),
    assets: jsonb('assets').$type<StoredFile[]>().notNull(),
    removed: jsonb('removed').$type<RemovedParts>().notNull(),
    notes: jsonb('notes')
      .$type<string[]>()
      .notNull()
      .default(sql`'[]'::jsonb`),
    createdAt: createdAt(),
  },
  (table) => [
    unique().on(table.pageId, table.number),
    foreignKey({ columns: [table.ownerId, table.pageId], foreignColumns: [pages.ownerId, pages.id] }).onDelete(
      'cascade',
    ),
    foreignKey({ columns: [table.ownerId, table.htmlHash], foreignColumns: [blobs.ownerId, blobs.hash] }),
  ],
);

/** Decoded pictures by the hash of their file, as compressed pixel fields; no bytes for what was not decoded. */
export const pixelFields = pgTable(
  'pixel_fields',
  {
    ownerId: ownerId(),
    hash: text('hash').notNull(),
    bytes: bytes('bytes'),
    /** Which bound drawing it went past, where that is why there are none. */
    costly: text('costly'),
    createdAt: createdAt(),
  },
  (table) => [
    primaryKey({ columns: [table.ownerId, table.hash] }),
    foreignKey({ columns: [table.ownerId, table.hash], foreignColumns: [blobs.ownerId, blobs.hash] }).onDelete(
      'cascade',
    ),
  ],
);

/** Where things stand on a page as a browser laid it out, at one size of the screen and with one thing opened. */
export const pageGeometries = pgTable(
  'page_geometries',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    pageId: uuid('page_id').notNull(),
    /** The version, with the changes that its HTML had. */
    edition: text('edition').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    opened: text('opened').notNull().default(''),
    geometry: jsonb('geometry').$type<StoredGeometry>().notNull(),
    createdAt: createdAt(),
  },
  (table) => [
    unique('page_geometries_one').on(table.pageId, table.edition, table.width, table.height, table.opened),
    foreignKey({ columns: [table.ownerId, table.pageId], foreignColumns: [pages.ownerId, pages.id] }).onDelete(
      'cascade',
    ),
  ],
);

/** Markup that owners add to pages or have in place of what is there; put in when a page is given out. */
export const pageChanges = pgTable(
  'page_changes',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    pageId: uuid('page_id').notNull(),
    kind: text('kind'),
    name: text('name').notNull(),
    locator: jsonb('locator').$type<PageChangeRecord['locator']>().notNull(),
    place: text('place', { enum: ['before', 'after', 'first', 'last', 'instead'] }).notNull(),
    html: text('html').notNull(),
    css: text('css').notNull(),
    before: text('before'),
    createdAt: createdAt(),
    deletedAt: deletedAt(),
  },
  (table) => [
    unique().on(table.ownerId, table.id),
    index().on(table.pageId),
    foreignKey({ columns: [table.ownerId, table.pageId], foreignColumns: [pages.ownerId, pages.id] }).onDelete(
      'cascade',
    ),
  ],
);

/** Pictures and fonts that looks of a site may use, beside what its pages bring. */
export const siteAssets = pgTable(
  'site_assets',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    siteId: uuid('site_id').notNull(),
    name: text('name').notNull(),
    address: text('address').notNull(),
    hash: text('hash').notNull(),
    contentType: text('content_type').notNull(),
    size: integer('size').notNull(),
    origin: text('origin', { enum: ['uploaded', 'shipped', 'made'] }).notNull(),
    picture: jsonb('picture').$type<SiteAsset['picture']>(),
    font: jsonb('font').$type<SiteAsset['font']>(),
    createdAt: createdAt(),
    deletedAt: deletedAt(),
  },
  (table) => [
    unique().on(table.ownerId, table.id),
    // An address stays its file's even when that is deleted, since looks may name it.
    unique('site_assets_one_per_address').on(table.siteId, table.address),
    ofSite(table),
    foreignKey({ columns: [table.ownerId, table.hash], foreignColumns: [blobs.ownerId, blobs.hash] }),
  ],
);

export const components = pgTable(
  'components',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    siteId: uuid('site_id').notNull(),
    pageId: uuid('page_id').notNull(),
    kind: text('kind').notNull(),
    name: text('name').notNull(),
    locator: jsonb('locator').$type<unknown>().notNull(),
    /** The selector once more, so that the same component of another page, or opened twice, finds the first. */
    selector: text('selector').notNull(),
    currentTrialId: uuid('current_trial_id').notNull(),
    createdAt: createdAt(),
    deletedAt: deletedAt(),
  },
  (table) => [
    unique().on(table.ownerId, table.id),
    index().on(table.siteId),
    unique('components_one_per_site').on(table.siteId, table.kind, table.selector),
    ofSite(table),
    foreignKey({ columns: [table.ownerId, table.pageId], foreignColumns: [pages.ownerId, pages.id] }).onDelete(
      'cascade',
    ),
  ],
);

/** The colours of a site that its looks may name; a site without a row has none yet. */
export const palettes = pgTable(
  'palettes',
  {
    ownerId: ownerId(),
    siteId: uuid('site_id').primaryKey(),
    revision: integer('revision').notNull(),
    swatches: jsonb('swatches').$type<SitePaletteData['swatches']>().notNull(),
    handedOverAs: text('handed_over_as', { enum: ['literals', 'properties'] }).notNull(),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [ofSite(table)],
);

/** Looks that are kept by name, for components of a kind to follow. */
export const finishes = pgTable(
  'finishes',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    siteId: uuid('site_id').notNull(),
    kind: text('kind').notNull(),
    name: text('name').notNull(),
    look: jsonb('look').$type<unknown>().notNull(),
    revision: integer('revision').notNull().default(0),
    createdAt: createdAt(),
    deletedAt: deletedAt(),
  },
  (table) => [unique().on(table.ownerId, table.id), index().on(table.siteId), ofSite(table)],
);

/** Rival looks of a component; one of them is worn. */
export const trials = pgTable(
  'trials',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    componentId: uuid('component_id').notNull(),
    name: text('name').notNull(),
    look: jsonb('look').$type<unknown>().notNull(),
    revision: integer('revision').notNull().default(0),
    createdAt: createdAt(),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
    /** Set while it is discarded; it can be put back. */
    removedAt: timestamp('removed_at', { withTimezone: true }),
  },
  (table) => [
    unique().on(table.ownerId, table.id),
    uniqueIndex('trials_name_of_component').on(table.componentId, table.name).where(isNull(table.removedAt)),
    foreignKey({
      columns: [table.ownerId, table.componentId],
      foreignColumns: [components.ownerId, components.id],
    }).onDelete('cascade'),
  ],
);

/** Saves that were carried out, by the id their sender made, so that a retry is answered and not repeated. */
export const saves = pgTable(
  'saves',
  {
    ownerId: ownerId(),
    trialId: uuid('trial_id').notNull(),
    saveId: uuid('save_id').notNull(),
    revision: integer('revision').notNull(),
    createdAt: createdAt(),
  },
  (table) => [
    primaryKey({ columns: [table.trialId, table.saveId] }),
    foreignKey({ columns: [table.ownerId, table.trialId], foreignColumns: [trials.ownerId, trials.id] }).onDelete(
      'cascade',
    ),
  ],
);

/** Every look that was ever acknowledged, so that each revision can be read again. */
export const lookRevisions = pgTable(
  'look_revisions',
  {
    ownerId: ownerId(),
    trialId: uuid('trial_id').notNull(),
    revision: integer('revision').notNull(),
    look: jsonb('look').$type<unknown>().notNull(),
    /** What was done, where it was told. */
    step: text('step'),
    createdAt: createdAt(),
  },
  (table) => [
    primaryKey({ columns: [table.trialId, table.revision] }),
    foreignKey({ columns: [table.ownerId, table.trialId], foreignColumns: [trials.ownerId, trials.id] }).onDelete(
      'cascade',
    ),
  ],
);
