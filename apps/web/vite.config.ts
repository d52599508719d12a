import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import { reactCompiler } from './vite/react-compiler';

const source = (path: string) => fileURLToPath(new URL(path, import.meta.url));

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
  build: { target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': { target: process.env.RETOQUE_API ?? 'http://127.0.0.1:4310' } } },
});
