import { Global, Inject, Injectable, Module, type OnApplicationShutdown } from '@nestjs/common';
import { eq, isNull, and, sql, type SQL } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { readConfig } from '../config.js';
import { OwnerScope } from './owner-scope.js';
import { jobs, owners } from './schema.js';

const POOL = Symbol('pool');
const MIGRATIONS = fileURLToPath(new URL('../../drizzle', import.meta.url));

/** Opens scopes; what needs no owner (health, migrations, finding the owner) stays in here. */
@Injectable()
export class Database implements OnApplicationShutdown {
  private readonly database: NodePgDatabase;

  constructor(@Inject(POOL) private readonly pool: pg.Pool) {
    this.database = drizzle(pool);
  }

  scopeFor(ownerId: string): OwnerScope {
    return new OwnerScope(this.database, ownerId, this.pool);
  }

  async migrate(): Promise<void> {
    await migrate(this.database, { migrationsFolder: MIGRATIONS });
  }

  /** @throws when the database does not answer */
  async ping(): Promise<void> {
    await this.database.execute(sql`select 1`);
  }

  /** The owner of that name, made when there is none. */
  async ownerNamed(name: string): Promise<string> {
    await this.database.insert(owners).values({ name }).onConflictDoNothing();
    const [owner] = await this.database.select().from(owners).where(eq(owners.name, name));
    return owner!.id;
  }

  /** True once for each owner: the first caller is the one to put the demo in. */
  async claimSeeding(ownerId: string): Promise<boolean> {
    const claimed = await this.database
      .update(owners)
      .set({ seededAt: new Date() })
      .where(and(eq(owners.id, ownerId), isNull(owners.seededAt)))
      .returning();
    return claimed.length > 0;
  }

  async unclaimSeeding(ownerId: string): Promise<void> {
    await this.database.update(owners).set({ seededAt: null }).where(eq(owners.id, ownerId));
  }

  /** Jobs of whichever owner, for those who carry them out. */
  async jobsWhere(where: SQL): Promise<{ jobId: string; ownerId: string }[]> {
    return this.database.select({ jobId: jobs.id, ownerId: jobs.ownerId }).from(jobs).where(where).limit(100);
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.end();
  }
}

@Global()
@Module({
  providers: [
    {
      provide: POOL,
      useFactory: () => {
        const pool = new pg.Pool({
          connectionString: readConfig().databaseUrl,
          max: 10,
          connectionTimeoutMillis: 5000,
        });
        // A connection that breaks says so wherever it is just then, idle or in the middle of a transaction. Without a
        // listener that would end the process; whoever waits for an answer is told by the answer.
        pool.on('error', () => undefined);
        pool.on('connect', (client) => client.on('error', () => undefined));
        return pool;
      },
    },
    Database,
  ],
  exports: [Database],
})
export class DatabaseModule {}
