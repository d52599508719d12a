import { spawn } from 'node:child_process';
import { root } from './paths.mjs';
import { SetupError } from './log.mjs';

/** No step takes as long; one that hangs is ended, so that what follows is still run and told. In milliseconds. */
const LONGEST = 30 * 60_000;

/**
 * Runs a command to its end, or for half an hour at most. Resolves to its exit code and, when captured, its output.
 */
export function run(command, args, options = {}) {
  const { capture = false, env, cwd = root, ...rest } = options;
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: capture ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      timeout: LONGEST,
      ...rest,
    });
    let output = '';
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('error', reject);
    child.on('close', (code, signal) => {
      if (signal) console.error(`${command} was ended by ${signal}.`);
      resolve({ code: code ?? 1, output });
    });
  });
}

/** Runs a command that must succeed; its output is shown only when it does not. */
export async function must(command, args, failure, options = {}) {
  const { code, output } = await run(command, args, { capture: true, ...options });
  if (code !== 0) throw new SetupError(`${failure}\n${output.trim().split('\n').slice(-25).join('\n')}`);
  return output;
}
