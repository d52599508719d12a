import { Command, CommanderError } from 'commander';
import { addCheck } from './commands/check.js';
import { addExplain } from './commands/explain.js';
import { addFind } from './commands/find.js';
import { addResolve } from './commands/resolve.js';
import { Failure, oneLine } from './failure.js';
import { PROCESS_OUTPUT, type Output } from './output.js';

/** Runs the command; answers the exit code: 0, 1 when checks fall short, 2 for bad usage or unreadable input. */
export async function run(args: readonly string[], output: Output = PROCESS_OUTPUT): Promise<number> {
  let code = 0;
  const program = new Command('retoque')
    .description('Resolves, explains and checks the styles of real pages in every state, from HTML and CSS alone.')
    .version('0.1.0')
    .exitOverride()
    .configureOutput({
      writeOut: (text) => output.out(text.trimEnd()),
      writeErr: () => undefined,
    })
    .addHelpText(
      'after',
      `
Examples:
  retoque find index.html --format ndjson
  retoque resolve index.html --select 'a.button' --states default,hover,focus,active --format ndjson
  retoque explain index.html --select 'nav a' --state hover --property color
  retoque check index.html booking.html --viewport 1280x800 --viewport 390x844 --fail-on short

Exit codes: 0 done, 1 a check fails, 2 bad usage or input that cannot be read.`,
    );
  addFind(program, output);
  addResolve(program, output);
  addExplain(program, output);
  addCheck(program, output, (value) => (code = value));
  for (const command of program.commands) command.exitOverride().configureOutput(program.configureOutput());
  try {
    await program.parseAsync([...args], { from: 'user' });
    return code;
  } catch (error) {
    if (error instanceof Failure) {
      output.err(`retoque: ${oneLine(error.message)}`);
      return 2;
    }
    if (error instanceof CommanderError) {
      if (error.exitCode === 0) return 0;
      // Without a command the help is printed as an answer to bad usage.
      const said = oneLine(error.message.replace(/^error: /, ''));
      output.err(
        `retoque: ${said === '' || said === '(outputHelp)' ? 'a command is missing' : said}. See retoque --help.`,
      );
      return 2;
    }
    throw error;
  }
}
