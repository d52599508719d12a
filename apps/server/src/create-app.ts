import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { Logger } from 'nestjs-pino';
import { cleanupOpenApiDoc } from 'nestjs-zod';
import { AppModule } from './app.module.js';
import { readConfig } from './config.js';
import { Database } from './database/database.module.js';
import { BODY_BOUNDS, boundBody } from './http/body-bounds.js';
import { gate } from './http/gate.js';
import { protect, serveWeb } from './web/serve-web.js';

/** The application with its database migrated, ready to listen. */
export async function createApp(): Promise<NestExpressApplication> {
  const config = readConfig();
  const app = await NestFactory.create<NestExpressApplication>(AppModule, {
    bufferLogs: true,
    bodyParser: false,
    abortOnError: false,
  });
  app.useLogger(app.get(Logger));
  app.setGlobalPrefix('api');
  app.enableShutdownHooks();
  app.disable('x-powered-by');
  app.use(gate(config.origins));
  protect(app);
  // Pasted pages are the largest bodies.
  app.useBodyParser('json', {
    limit: BODY_BOUNDS.bytes,
    verify: (_request: unknown, _response: unknown, body: Buffer) => boundBody(body),
  });
  const document = new DocumentBuilder()
    .setTitle('Retoque')
    .setDescription('The API behind the Retoque screens.')
    .setVersion('0.1');
  SwaggerModule.setup('api/docs', app, () => cleanupOpenApiDoc(SwaggerModule.createDocument(app, document.build())), {
    customSiteTitle: 'Retoque API',
    jsonDocumentUrl: 'api/openapi.json',
  });
  if (config.webFolder) serveWeb(app, config.webFolder);
  await app.get(Database).migrate();
  return app;
}
