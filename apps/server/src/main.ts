import 'reflect-metadata';
import { Logger } from 'nestjs-pino';
import { readConfig } from './config.js';
import { createApp } from './create-app.js';
import { JobQueue } from './jobs/job-queue.js';
import { DemoSeeder } from './demo/demo-seeder.js';

const fail = (error: unknown): never => {
  const { code, message } = error as NodeJS.ErrnoException;
  const port = process.env.RETOQUE_PORT ?? '4310';
  const line =
    code === 'EADDRINUSE'
      ? `port ${port} is taken`
      : code === 'ECONNREFUSED' || code === '28P01' || code === '3D000'
        ? `the database does not answer (${message || code})`
        : message || String(error);
  process.stderr.write(`Retoque cannot start: ${line.split('\n')[0]}.\n`);
  process.exit(1);
};

const KEEP_ALIVE_MILLIS = 65_000;
/** Long enough for a log line to be written out. */
const LAST_WORDS_MILLIS = 200;

try {
  const config = readConfig();
  const app = await createApp();
  // Before listening, so that the first answer already has the demo in it.
  await app.get(DemoSeeder).seedOnce();
  // Longer than those who call keep idle connections, so that none is closed as the next request goes out on it.
  app.getHttpServer().keepAliveTimeout = KEEP_ALIVE_MILLIS;
  await app.listen(config.port, '127.0.0.1');
  const stop = () => void app.close().then(() => process.exit(0));
  const logger = app.get(Logger);
  // A promise that nobody waited for harms only its own request; it is a fault of ours all the same, so it is told.
  process.on('unhandledRejection', (error) =>
    logger.error({ err: error }, 'A promise was rejected, and nothing heard it'),
  );
  // After this nobody knows what state the process is in: it says why and ends, and what started it starts it again.
  process.on('uncaughtException', (error) => {
    logger.fatal({ err: error }, 'Something went wrong that nothing caught; the server ends');
    process.stderr.write(`Retoque’s server ends after an error: ${error.message}\n`);
    setTimeout(() => process.exit(1), LAST_WORDS_MILLIS).unref();
  });
  // Started with a channel by the demo: when that ends without a word, so does this.
  process.on('disconnect', stop);
  // Jobs that an earlier run has left are taken up again.
  await app.get(JobQueue).serveOnDemand();
  process.send?.('ready');
} catch (error) {
  fail(error);
}
