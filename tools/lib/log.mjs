/** One clear line on standard error, then the end. */
export class SetupError extends Error {}

const tty = process.stdout.isTTY;
export const say = (text) => process.stdout.write(`${text}\n`);
export const step = (text) => process.stdout.write(`${tty ? '\u001b[2m' : ''}· ${text}${tty ? '\u001b[0m' : ''}\n`);

export function failWith(error) {
  const text = error instanceof SetupError ? error.message : (error?.stack ?? String(error));
  process.stderr.write(`${text}\n`);
}
