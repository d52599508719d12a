import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import { reactCompiler } from './vite/react-compiler';

const source = (path: string) => fileURLToPath(new URL(path, import.meta.url));

const EVERYWHERE =
  /node_modules\/(react|react-dom|react-router|scheduler|@emotion|stylis|@tanstack|zod|comlink|lucide-react\/dist\/esm(?!\/icons)(\/shared\/src(\/utils)?)?|@chakra-ui\/react\/dist\/esm\/(styled-system|components\/(box|flex)))\//;

export default defineConfig({
  plugins: [reactCompiler(), react()],
  resolve: {
    // The sources themselves, so that a change in the core reloads like one of our own.
    alias: {
      '@retoque/core': source('../../packages/core/src/index.ts'),
      '@retoque/contract': source('../../packages/contract/src/index.ts'),
    },
  },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    // Browsers of that age know what it stands in for.
    modulePreload: { polyfill: false },
    chunkSizeWarningLimit: 900,
    // What every screen loads of the libraries, in one piece: crumbs compress badly.
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'libraries', test: EVERYWHERE }] } } },
  },
  server: { proxy: { '/api': { target: process.env.RETOQUE_API ?? 'http://127.0.0.1:4310' } } },
});
