import {
  customType,
  foreignKey,
  integer,
  pgTable,
  text,
  timestamp,
  unique,
  uuid,
  type AnyPgColumn,
} from 'drizzle-orm/pg-core';

/**
 * Every table hangs off an owner, and every reference between tables carries the owner along, so that the database
 * itself refuses a row that points into someone else's.
 */

export const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' });
export const createdAt = () => timestamp('created_at', { withTimezone: true }).notNull().defaultNow();
export const deletedAt = () => timestamp('deleted_at', { withTimezone: true });

export const owners = pgTable('owners', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull().unique(),
  /** Set once the demo was put in, so that deleting it does not bring it back. */
  seededAt: timestamp('seeded_at', { withTimezone: true }),
  createdAt: createdAt(),
});

export const ownerId = () =>
  uuid('owner_id')
    .notNull()
    .references(() => owners.id, { onDelete: 'cascade' });

export const sites = pgTable(
  'sites',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    name: text('name').notNull(),
    /** Widths in CSS pixels up to which the medium and the narrow viewport's settings hold. */
    mediumUpTo: integer('medium_up_to').notNull().default(1023),
    narrowUpTo: integer('narrow_up_to').notNull().default(599),
    createdAt: createdAt(),
    deletedAt: deletedAt(),
  },
  (table) => [unique().on(table.ownerId, table.id)],
);

/** What belongs to a site goes with it, and is its owner's. */
export const ofSite = (table: { readonly ownerId: AnyPgColumn; readonly siteId: AnyPgColumn }) =>
  foreignKey({ columns: [table.ownerId, table.siteId], foreignColumns: [sites.ownerId, sites.id] }).onDelete('cascade');
