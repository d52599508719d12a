import { run } from './program.js';

// A reader that has seen enough, such as `head`, is no error.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(process.exitCode ?? 0);
  throw error;
});
process.exitCode = await run(process.argv.slice(2));
