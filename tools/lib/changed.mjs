import { existsSync } from 'node:fs';
import { dirname, join, relative, sep } from 'node:path';
import { root } from './paths.mjs';
import { run } from './run.mjs';

async function git(...args) {
  const { code, output } = await run('git', args, { capture: true, cwd: root });
  return code === 0 ? output.split('\n').filter(Boolean) : [];
}

/** Files that differ from the last commit; where none does, those of the last commit. Paths from the root. */
export async function changedFiles() {
  const [tracked, fresh] = [
    await git('diff', '--name-only', 'HEAD'),
    await git('ls-files', '--others', '--exclude-standard'),
  ];
  const now = [...tracked, ...fresh];
  const files = now.length ? now : await git('diff', '--name-only', 'HEAD~1', 'HEAD');
  return files.filter((file) => existsSync(join(root, file)));
}

/** Folders to go up and down between two files. */
function distance(a, b) {
  return relative(dirname(a), dirname(b)).split(sep).filter(Boolean).length;
}

/** The tests that are nearest to a change, at most so many: those beside it first. */
export function nearest(tests, files, most) {
  const far = (test) => Math.min(...files.map((file) => distance(file, test)));
  return [...tests].sort((a, b) => far(a) - far(b) || (a < b ? -1 : 1)).slice(0, most);
}
