import 'reflect-metadata';
import { readConfig } from './config.js';
import { createApp } from './create-app.js';
import { DemoSeeder } from './sites/demo-seeder.js';

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

try {
  const config = readConfig();
  const app = await createApp();
  // Before listening, so that the first answer already has the demo in it.
  await app.get(DemoSeeder).seedOnce();
  await app.listen(config.port, '127.0.0.1');
  const stop = () => void app.close().then(() => process.exit(0));
  // Started with a channel by the demo: when that ends without a word, so does this.
  process.on('disconnect', stop);
  process.send?.('ready');
} catch (error) {
  fail(error);
}
