import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';

/** Speaks to the API as its own pages do. */
export const ownPages = (app: NestExpressApplication) =>
  request.agent(app.getHttpServer()).set('Sec-Fetch-Site', 'same-origin');
