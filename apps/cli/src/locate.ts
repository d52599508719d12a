import { existsSync } from 'node:fs';
import { resolve } from 'node:path';

/**
 * Absolute path of a file named on the command line. Run through npx from a workspace's folder, the process starts in
 * that workspace's root; where the user stood is tried as well.
 */
export function locate(file: string): string {
  const here = resolve(file);
  const there = process.env.INIT_CWD ? resolve(process.env.INIT_CWD, file) : here;
  return existsSync(here) ? here : existsSync(there) ? there : here;
}
