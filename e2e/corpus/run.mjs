// npm run corpus: components found on pages of others, by their names and without them.
import { selectAll } from '../../packages/core/dist/index.js';
import { PAGES, readPage, renamer } from './pages.mjs';
import { score } from './score.mjs';

const SEED = Number(process.env.SEED ?? 1);
const only = process.argv[2];

const share = (part, whole) => `${((part / whole) * 100).toFixed(1)} %`;

function all(rename) {
  const total = { wanted: 0, missed: 0, found: 0, wrong: 0 };
  for (const labels of PAGES) {
    if (only && !labels.page.includes(only)) continue;
    const shipped = readPage(labels.page);
    const page = rename ? readPage(labels.page, rename) : shipped;
    // Labels name what they mean by the page as it is shipped; the order of elements is the same.
    const at = (selector) => selectAll(shipped.tree, selector).map(({ order }) => page.tree.elements[order]);
    const result = score(page, labels, at);
    total.wanted += result.wanted;
    total.missed += result.missed.length;
    total.found += result.found;
    total.wrong += result.wrong.length;
    console.log(`${labels.page}: ${result.wanted - result.missed.length} of ${result.wanted}, ${result.found} found`);
    for (const one of result.missed) console.log(`  missed ${one}`);
    for (const one of result.wrong) console.log(`  wrong  ${one}`);
  }
  return total;
}

/** Shares that must be reached: of what a person named, and of what was found. */
const RUNS = [
  { name: 'as shipped', rename: undefined, recall: 0.95, precision: 0.9 },
  { name: 'with every class called something else', rename: renamer(SEED), recall: 0.9, precision: 0.9 },
];

for (const { name, rename, ...least } of RUNS) {
  const { wanted, missed, found, wrong } = all(rename);
  const [recall, precision] = [(wanted - missed) / wanted, (found - wrong) / found];
  console.log(`${name}: recall ${share(wanted - missed, wanted)}, precision ${share(found - wrong, found)}`);
  if (recall < least.recall || precision < least.precision) {
    console.log(`  At least ${share(least.recall, 1)} and ${share(least.precision, 1)} are wanted.`);
    process.exitCode = 1;
  }
}
