import { transformAsync } from '@babel/core';
import type { Plugin } from 'vite';

/** Our own components and hooks; everything else is passed on as it is. */
const OURS = /\/apps\/web\/src\/.*\.tsx?$/;

/**
 * Lets React's compiler remember what a component rendered from the same inputs, so that a keystroke draws again only
 * what it changes. Types and JSX are left for the build's own transformer.
 */
export function reactCompiler(): Plugin {
  return {
    name: 'react-compiler',
    enforce: 'pre',
    async transform(code, id) {
      const file = id.split('?')[0]!;
      if (!OURS.test(file)) return null;
      const result = await transformAsync(code, {
        filename: file,
        configFile: false,
        babelrc: false,
        sourceMaps: true,
        parserOpts: { plugins: ['typescript', ...(file.endsWith('x') ? (['jsx'] as const) : [])] },
        plugins: ['babel-plugin-react-compiler'],
      });
      return result?.code ? { code: result.code, map: result.map ?? null } : null;
    },
  };
}
