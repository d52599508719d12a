import type { NestExpressApplication } from '@nestjs/platform-express';
import pg from 'pg';
import request from 'supertest';

/** Speaks to the API as its own pages do. */
export const ownPages = (app: NestExpressApplication) =>
  request.agent(app.getHttpServer()).set('Sec-Fetch-Site', 'same-origin');

/** Does something on the database behind the API, on a connection of its own that ends whatever comes of it. */
export async function onDatabase<T>(act: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  try {
    return await act(client);
  } finally {
    await client.end();
  }
}
