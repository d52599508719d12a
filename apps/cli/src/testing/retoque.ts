import { run } from '../program.js';

/** Runs the command and gathers what it prints. */
export async function retoque(...args: string[]) {
  const out: string[] = [];
  const err: string[] = [];
  const code = await run(args, { out: (text) => out.push(text), err: (text) => err.push(text) });
  return { code, out: out.join('\n'), err, lines: out.flatMap((text) => text.split('\n')) };
}
