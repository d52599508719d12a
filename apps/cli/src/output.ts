/** Where a command writes; the process's own streams, or a test's. */
export interface Output {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

export const PROCESS_OUTPUT: Output = {
  out: (text) => void process.stdout.write(`${text}\n`),
  err: (text) => void process.stderr.write(`${text}\n`),
};
