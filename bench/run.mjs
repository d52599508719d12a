// All benchmarks, or the ones that are named, each beside a peer in the same run. Nothing here is asserted.
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { benchContrast } from './contrast.mjs';
import { benchKeystroke } from './keystroke.mjs';
import { benchPress } from './press.mjs';
import { benchResolve } from './resolve.mjs';
import { benchSite } from './site.mjs';
import { benchShipped } from './shipped.mjs';
import { benchTicker } from './ticker.mjs';
import { ms, times } from './lib/time.mjs';

const large = (elements, rules) =>
  JSON.parse(
    execFileSync(process.execPath, [fileURLToPath(new URL('large.mjs', import.meta.url)), elements, rules]).toString(),
  );

function benchLarge() {
  console.log('Every element of a large page in four states and two viewports, in a process of its own:');
  const [half, whole] = [large('2500', '5000'), large('5000', '10000')];
  for (const run of [half, whole]) {
    console.log(
      `  ${run.elements} elements, ${run.rules} rules: ${ms(run.total)} (parsing ${ms(run.parse)}, resolving ${ms(run.resolve)}), ${run.megabytes.toFixed(0)} MB at most`,
    );
  }
  console.log(
    `  twice the elements and rules take ${times(whole.resolve / half.resolve)} the time (linear would be 2, quadratic 4).`,
  );
}

const BENCHES = {
  contrast: benchContrast,
  keystroke: () => benchKeystroke(process.env.RETOQUE_URL),
  press: () => benchPress(process.env.RETOQUE_URL),
  resolve: benchResolve,
  site: benchSite,
  ticker: () => benchTicker(process.env.RETOQUE_URL),
  large: async () => {
    benchLarge();
    await benchShipped(process.env.RETOQUE_URL);
  },
};

const wanted = process.argv.length > 2 ? process.argv.slice(2) : Object.keys(BENCHES);
for (const name of wanted) {
  const bench = BENCHES[name];
  if (!bench) throw new Error(`There is no benchmark called ${name}; there are: ${Object.keys(BENCHES).join(', ')}.`);
  await bench();
}
