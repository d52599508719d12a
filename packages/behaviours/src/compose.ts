import { fileURLToPath } from 'node:url';
import { rolldown } from 'rolldown';
import { BEHAVIOURS } from './index.js';

/** One script for all behaviours that a site uses, as an ES module. */
export interface BehaviourScript {
  /** With its comments, to be read. */
  readonly source: string;
  readonly minified: string;
}

const VERSION = '0.1.0';
const ENTRY = 'behaviours';
const folder = fileURLToPath(new URL('./script/', import.meta.url));

/**
 * Puts the script of some behaviours together. It depends on nothing, writes no global name and runs once however often
 * it is included.
 *
 * @param names of behaviours; others are left out
 */
export async function composeScript(names: Iterable<string>): Promise<BehaviourScript> {
  const used = [...new Set(names)].filter((name) => Object.hasOwn(BEHAVIOURS, name)).sort();
  const lines = [
    `import { define } from './behaviour.js';`,
    ...used.map((name) => `import { ${name} } from './${name}.js';`),
    ...used.map((name) => `define('rq-${name}', ${name});`),
  ];
  const bundle = await rolldown({
    input: ENTRY,
    platform: 'browser',
    plugins: [
      {
        name: 'entry',
        resolveId: (id) =>
          id === ENTRY ? `${folder}${ENTRY}.js` : id.startsWith('./') ? folder + id.slice(2) : undefined,
        load: (id) => (id === `${folder}${ENTRY}.js` ? lines.join('\n') : undefined),
      },
    ],
  });
  const banner = `/* Behaviours ${VERSION}, made with Retoque: ${used.join(', ')} */`;
  const print = async (minify: boolean) => {
    const { output } = await bundle.generate({ format: 'es', minify, comments: !minify, sourcemap: false });
    const code = output[0].code.replace(/^\/\/ .*\.js$\n/gm, '');
    return `${banner}\n${code.trim()}\n`;
  };
  try {
    return { source: await print(false), minified: await print(true) };
  } finally {
    await bundle.close();
  }
}
