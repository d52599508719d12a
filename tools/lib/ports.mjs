import net from 'node:net';
import { SetupError } from './log.mjs';

/** Whether nothing listens on a loopback port yet. */
const isFree = (port) =>
  new Promise((resolve) => {
    const server = net.createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });

export async function requireFree(port, what, variable) {
  if (!Number.isInteger(port) || port < 1 || port > 65535) throw new SetupError(`${variable} is not a port number.`);
  if (!(await isFree(port))) {
    throw new SetupError(
      `Port ${port}, meant for ${what}, is taken. Stop what uses it, or set ${variable} to another port.`,
    );
  }
}

/** A free port that the system chooses. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const server = net.createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
