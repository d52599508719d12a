import { fileURLToPath } from 'node:url';

/** The command as one file: a thousand modules take a second to load, one takes a third of it. */
export default {
  input: 'dist/main.js',
  platform: 'node',
  // Brings its own library for each machine.
  external: ['sharp'],
  // The package's own build in one file; its modules read tables beside themselves, which a bundle has not.
  resolve: { alias: { 'css-tree': fileURLToPath(import.meta.resolve('css-tree/dist/csstree.esm')) } },
  output: { file: 'dist/retoque.mjs', codeSplitting: false, minify: { compress: false, mangle: false } },
};
