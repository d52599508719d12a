#!/usr/bin/env node
// Adds to package-lock.json the optional packages for other platforms that npm left out.
//
// A registry mirror may lack a package's builds for platforms that nobody there uses. `npm install` then drops them from
// the lock file, and `npm ci` refuses that lock file as incomplete. They are never installed on this platform, so their
// names, versions and platforms are all that the lock file needs. Run after each `npm install` that changes the lock.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './lib/paths.mjs';

const path = join(root, 'package-lock.json');
const lock = JSON.parse(readFileSync(path, 'utf8'));
const platforms = [
  'darwin',
  'linux',
  'win32',
  'android',
  'freebsd',
  'openharmony',
  'aix',
  'netbsd',
  'openbsd',
  'sunos',
];
const processors = ['arm64', 'x64', 'ia32', 'arm', 'ppc64', 's390x', 'riscv64', 'loong64', 'wasm32'];

/** Where npm would look for `name` from the package at `from`. */
function isLocked(from, name) {
  for (let at = from; ; at = at.slice(0, Math.max(0, at.lastIndexOf('/node_modules/')))) {
    if (lock.packages[`${at ? `${at}/` : ''}node_modules/${name}`]) return true;
    if (!at) return false;
  }
}

const added = {};
for (const [from, entry] of Object.entries(lock.packages)) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    if (isLocked(from, name) || !/^\d/.test(version)) continue;
    const words = name.split(/[-/]/);
    const os = platforms.filter((item) => words.includes(item));
    const cpu = processors.filter((item) => words.includes(item));
    added[`node_modules/${name}`] = {
      version,
      ...(cpu.length ? { cpu } : {}),
      ...(entry.dev ? { dev: true } : {}),
      optional: true,
      ...(os.length ? { os } : {}),
    };
  }
}
lock.packages = Object.fromEntries(
  Object.entries({ ...lock.packages, ...added }).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)),
);
writeFileSync(path, `${JSON.stringify(lock, null, 2)}\n`);
process.stdout.write(`${Object.keys(added).length} entries added.\n`);
