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
  uuid,
} from 'drizzle-orm/pg-core';
import { createdAt, ofSite, ownerId } from './base-tables.js';

/** Long work that goes on while nobody waits for an answer, and is taken up again where it was left. */
export const jobs = pgTable(
  'jobs',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    ownerId: ownerId(),
    siteId: uuid('site_id').notNull(),
    kind: text('kind', { enum: ['site-checks'] }).notNull(),
    params: jsonb('params').$type<unknown>().notNull(),
    state: text('state', { enum: ['waiting', 'running', 'done', 'failed', 'cancelled'] })
      .notNull()
      .default('waiting'),
    /** Steps done, of how many; none are known before the first. */
    done: integer('done').notNull().default(0),
    of: integer('of').notNull().default(0),
    /** Another each time that somebody takes the work up: what an earlier one still writes is refused. */
    attempt: integer('attempt').notNull().default(0),
    /** Told again and again while somebody works on it. */
    beatAt: timestamp('beat_at', { withTimezone: true }),
    problem: text('problem'),
    createdAt: createdAt(),
  },
  (table) => [unique().on(table.ownerId, table.id), index().on(table.siteId), ofSite(table)],
);

/** What each step of a job came to, each once. */
export const jobResults = pgTable(
  'job_results',
  {
    ownerId: ownerId(),
    jobId: uuid('job_id').notNull(),
    step: integer('step').notNull(),
    result: jsonb('result').$type<unknown>().notNull(),
    createdAt: createdAt(),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.step] }),
    foreignKey({ columns: [table.ownerId, table.jobId], foreignColumns: [jobs.ownerId, jobs.id] }).onDelete('cascade'),
  ],
);
