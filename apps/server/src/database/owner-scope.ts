import { and, eq, type InferInsertModel, type InferSelectModel, type SQL } from 'drizzle-orm';
import type { NodePgDatabase } from 'drizzle-orm/node-postgres';
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core';

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

  /** Everything in the callback happens, or nothing. */
  transaction<R>(work: (scope: OwnerScope) => Promise<R>): Promise<R> {
    return this.database.transaction((inner) => work(new OwnerScope(inner as unknown as NodePgDatabase, this.ownerId)));
  }
}
