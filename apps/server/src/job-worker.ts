import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import { AppModule } from './app.module.js';
import { Database } from './database/database.module.js';
import { JobQueue } from './jobs/job-queue.js';

// A process that works on jobs and answers no requests; any number of them may run beside the server.
const app = await NestFactory.createApplicationContext(AppModule, { bufferLogs: true });
app.enableShutdownHooks();
await app.get(Database).migrate();
await app.get(JobQueue).serve();
process.send?.('ready');
process.on('disconnect', () => void app.close().then(() => process.exit(0)));
