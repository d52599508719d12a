import { createHash } from 'node:crypto';
import { homedir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
export const isRoot = process.getuid?.() === 0;

const clone = createHash('sha256').update(root).digest('hex').slice(0, 10);

/**
 * Where the database of this clone lives. PostgreSQL refuses root, so root runs it as `postgres`, in a place that this
 * user can enter wherever the clone lies.
 */
export function dataFolder(name) {
  const base =
    process.env.RETOQUE_DATA ??
    (isRoot ? '/var/lib/retoque' : join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'retoque'));
  return join(base, `${clone}-${name}`);
}
