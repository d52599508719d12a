import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { SetupError, step } from './log.mjs';
import { isRoot } from './paths.mjs';
import { run } from './run.mjs';

const POSTGRES_HOME = '/usr/lib/postgresql';

/** The newest installed PostgreSQL's programs, or undefined. */
export function postgresPrograms() {
  if (!existsSync(POSTGRES_HOME)) return undefined;
  const versions = readdirSync(POSTGRES_HOME)
    .filter(
      (name) =>
        existsSync(join(POSTGRES_HOME, name, 'bin', 'initdb')) &&
        existsSync(join(POSTGRES_HOME, name, 'bin', 'postgres')),
    )
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] && join(POSTGRES_HOME, versions[0], 'bin');
}

export const CHROMIUM = process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium';

/**
 * The same Chromium without the parts that draw a window: it takes a third less of the processor. Screens are driven in
 * it; what is compared with Chromium is compared with the whole one.
 */
export const CHROMIUM_SHELL = process.env.RETOQUE_CHROMIUM_SHELL ?? '/usr/bin/chromium-headless-shell';

const NEEDS = {
  postgresql: () => postgresPrograms() !== undefined,
  chromium: () => existsSync(CHROMIUM),
  'chromium-headless-shell': () => existsSync(CHROMIUM_SHELL),
};

/** Installs the Debian packages that are missing where it may, and otherwise says the exact command. */
export async function ensurePackages(...names) {
  const missing = names.filter((name) => !NEEDS[name]());
  if (!missing.length) return;
  const command = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  const apt = existsSync('/usr/bin/apt-get');
  if (!isRoot || !apt) {
    throw new SetupError(
      `Missing: ${missing.join(', ')}. Install with:  ${apt ? `sudo sh -c '${command}'` : `your package manager (on Debian: ${command})`}`,
    );
  }
  step(`Installing ${missing.join(', ')} from Debian`);
  // A run level of 1 keeps Debian's own cluster from being started beside ours.
  const env = { DEBIAN_FRONTEND: 'noninteractive', RUNLEVEL: '1' };
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', '--no-install-recommends', ...missing],
  ]) {
    const { code, output } = await run('apt-get', args, { capture: true, env });
    if (code !== 0) {
      throw new SetupError(
        `apt-get could not install ${missing.join(', ')}: ${output.trim().split('\n').at(-1)}\nTry by hand:  ${command}`,
      );
    }
  }
  const still = missing.filter((name) => !NEEDS[name]());
  if (still.length)
    throw new SetupError(`Installed ${still.join(', ')}, but its programs were not found where Debian puts them.`);
}
