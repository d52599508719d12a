import { createPracticeHost } from './host.js';

const port = Number(process.env.RETOQUE_PRACTICE_PORT ?? 4311);
const server = createPracticeHost();

server.on('error', (error: NodeJS.ErrnoException) => {
  const reason = error.code === 'EADDRINUSE' ? `port ${port} is taken` : error.message;
  process.stderr.write(`The practice host cannot start: ${reason}.\n`);
  process.exit(1);
});
server.listen(port, '127.0.0.1', () => {
  process.stdout.write(`Practice host at http://127.0.0.1:${port}\n`);
});

const stop = () => {
  server.close(() => process.exit(0));
  server.closeAllConnections();
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
// Started with a channel by the demo: when that ends without a word, so does this.
process.on('disconnect', stop);
