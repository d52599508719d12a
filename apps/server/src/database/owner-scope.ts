import { and, eq, sql, type InferInsertModel, type InferSelectModel, type SQL } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';
import type pg from 'pg';
import { isLostConnection } from './lost-connection.js';

type OwnedTable = PgTable & { ownerId: PgColumn };
type NewRow<T extends OwnedTable> = Omit<InferInsertModel<T>, 'ownerId'>;

export interface SelectOptions {
  readonly orderBy?: SQL | PgColumn;
  readonly limit?: number;
  /** Locks the rows until the transaction ends. */
  readonly forUpdate?: boolean;
}

/**
 * The only way to the data: every statement is bound to one owner. Services are handed a scope and never the database
 * itself, so a query without an owner cannot be written.
 */
export class OwnerScope {
  constructor(
    private readonly database: NodePgDatabase,
    readonly ownerId: string,
    /** Where transactions take their connection from; within one there is none. */
    private readonly pool?: pg.Pool,
  ) {}

  private bound(table: OwnedTable, where: SQL | undefined): SQL {
    return and(eq(table.ownerId, this.ownerId), where)!;
  }

  async select<T extends OwnedTable>(
    table: T,
    where?: SQL,
    options: SelectOptions = {},
  ): Promise<InferSelectModel<T>[]> {
    let query = this.database
      .select()
      .from(table as PgTable)
      .where(this.bound(table, where))
      .$dynamic();
    if (options.orderBy) query = query.orderBy(options.orderBy);
    if (options.limit !== undefined) query = query.limit(options.limit);
    if (options.forUpdate) query = query.for('update');
    return (await query) as InferSelectModel<T>[];
  }

  async first<T extends OwnedTable>(
    table: T,
    where?: SQL,
    options: SelectOptions = {},
  ): Promise<InferSelectModel<T> | undefined> {
    return (await this.select(table, where, { ...options, limit: 1 }))[0];
  }

  /** Some columns of the rows, where the others are large. */
  async columns<T extends OwnedTable, C extends Record<string, PgColumn>>(
    table: T,
    wanted: C,
    where?: SQL,
    options: Omit<SelectOptions, 'forUpdate'> = {},
  ): Promise<{ [K in keyof C]: C[K]['_']['data'] }[]> {
    let query = this.database
      .select(wanted)
      .from(table as PgTable)
      .where(this.bound(table, where))
      .$dynamic();
    if (options.orderBy) query = query.orderBy(options.orderBy);
    if (options.limit !== undefined) query = query.limit(options.limit);
    const rows = await query;
    return rows as { [K in keyof C]: C[K]['_']['data'] }[];
  }

  async insert<T extends OwnedTable>(table: T, rows: NewRow<T> | NewRow<T>[]): Promise<InferSelectModel<T>[]> {
    const list = (Array.isArray(rows) ? rows : [rows]).map((row) => ({ ...row, ownerId: this.ownerId }));
    if (!list.length) return [];
    return (await this.database
      .insert(table)
      .values(list as unknown as InferInsertModel<T>[])
      .returning()) as InferSelectModel<T>[];
  }

  /** Inserts rows, leaving those that are there already as they are. */
  async insertMissing<T extends OwnedTable>(table: T, rows: NewRow<T>[]): Promise<void> {
    if (!rows.length) return;
    const list = rows.map((row) => ({ ...row, ownerId: this.ownerId }));
    await this.database
      .insert(table)
      .values(list as unknown as InferInsertModel<T>[])
      .onConflictDoNothing();
  }

  async update<T extends OwnedTable>(table: T, set: Partial<NewRow<T>>, where: SQL): Promise<InferSelectModel<T>[]> {
    return (await this.database
      .update(table)
      .set(set as never)
      .where(this.bound(table, where))
      .returning()) as InferSelectModel<T>[];
  }

  /** Rows that others hang off take those along. */
  async delete<T extends OwnedTable>(table: T, where: SQL): Promise<void> {
    await this.database.delete(table).where(this.bound(table, where));
  }

  /** The sum of a number over an owner's rows. */
  async sum<T extends OwnedTable>(table: T, number: SQL): Promise<number> {
    const [row] = await this.database
      .select({ sum: sql<string | null>`sum(${number})` })
      .from(table as PgTable)
      .where(this.bound(table, undefined));
    return Number(row?.sum ?? 0);
  }

  /** Everything in the callback happens, or nothing. */
  transaction<R>(work: (scope: OwnerScope) => Promise<R>): Promise<R> {
    const run = (database: NodePgDatabase) =>
      database.transaction((inner) => work(new OwnerScope(inner as unknown as NodePgDatabase, this.ownerId)));
    return this.pool ? this.onConnection(this.pool, run) : run(this.database);
  }

  /** On a connection that goes back to the pool whatever happens, even where beginning fails; a broken one is dropped by it. */
  private async onConnection<R>(pool: pg.Pool, work: (database: NodePgDatabase) => Promise<R>): Promise<R> {
    const client = await pool.connect();
    let isLost = false;
    let failed: unknown;
    const lose = () => (isLost = true);
    client.on('error', lose);
    try {
      return await work(drizzle(client));
    } catch (error) {
      // A statement that its connection was lost under may fail in words of its own.
      failed = isLost && isOfStatement(error) ? new Error('Connection terminated meanwhile', { cause: error }) : error;
      throw failed;
    } finally {
      client.off('error', lose);
      client.release(isLost || isLostConnection(failed));
    }
  }
}

/** True for what the driver throws, and not for an answer that the work itself decided on. */
const isOfStatement = (error: unknown): boolean =>
  error instanceof TypeError || (error instanceof Error && error.message.startsWith('Failed query'));
