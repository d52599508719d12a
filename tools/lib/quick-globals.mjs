// Tests run in a context of their own, whose global names are looked up a hundred times slower than those of a module. What
// computes asks for them all the time, so each module gets them as its own.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import swc from '@swc/jest';

/** Names that no test puts anything else in place of; clocks and what reaches out of the process are none of these. */
const NAMES =
  `Array BigInt Boolean Error Float32Array Float64Array Infinity Int32Array JSON Map Math NaN Number Object Promise
  RangeError RegExp Set String Symbol SyntaxError TypeError Uint16Array Uint32Array Uint8Array Uint8ClampedArray WeakMap WeakSet
  isFinite isNaN parseFloat parseInt`.split(/\s+/);

const own = createHash('sha256')
  .update(readFileSync(new URL(import.meta.url)))
  .digest('hex');

/** A module with the names that it mentions, and does not declare, as its own; its lines stay where they are. */
function withNames(code) {
  const mentioned = NAMES.filter((name) => new RegExp(`(?<![.\\w$])${name}(?![\\w$])`).test(code));
  const free = mentioned.filter(
    (name) =>
      !new RegExp(`\\b(?:const|let|var|function|class|import|as)\\b[^;=(]*(?<![.\\w$])${name}(?![\\w$])`).test(code),
  );
  return free.length ? `const { ${free.join(', ')} } = globalThis; ${code}` : code;
}

const named = (result) => ({ ...result, code: withNames(result.code) });

/** Code that needs nothing else, such as a package's. */
const asItIs = {
  canInstrument: false,
  process: (code) => ({ code }),
  processAsync: async (code) => ({ code }),
  getCacheKey: (code, path) => createHash('sha256').update(path).update(code).digest('hex'),
};

export default {
  /** @param options those of @swc/jest; `asItIs` for code that is JavaScript already */
  createTransformer(options) {
    const inner = options.asItIs ? asItIs : swc.createTransformer(options);
    return {
      ...inner,
      process: (...asked) => named(inner.process(...asked)),
      processAsync: async (...asked) => named(await inner.processAsync(...asked)),
      getCacheKey: (...asked) => inner.getCacheKey(...asked) + own,
    };
  },
};
