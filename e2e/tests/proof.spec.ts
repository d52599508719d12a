import { appendFileSync } from 'node:fs';
import { expect, test, type BrowserContext } from '@playwright/test';
import { show } from '../corpus/serve';
import { asOneStep } from '../one-step';
import { withHistory } from '../proof/history';
import { LivePage, proveLive } from '../proof/prove';
import { wearAtRandom } from '../proof/random-looks';
import { SITES, siteOf } from '../proof/sites';

// What is handed over, put into the original pages of others, does there what was shown, and nothing else.

const seed = Number(process.env.SEED ?? 1);
/** Looks in all, shared out among the sites; a few of them in a run of all tests. */
const looks = Number(process.env.LOOKS ?? 3);
/** One number that looks were drawn from before, to see what it was about. */
const again = process.env.DRAWN === undefined ? undefined : Number(process.env.DRAWN);
/** So many that follow it. */
const rounds = Number(process.env.ROUNDS ?? 1);
const names = Object.keys(SITES);
const OF_SITE = 100;
const OF_SEED = 1000;

for (const [at, name] of names.entries()) {
  const isAgain = again !== undefined && Math.floor((again % OF_SEED) / OF_SITE) === at;
  const share = Math.floor(looks / names.length) + (at < looks % names.length ? 1 : 0);
  if (again === undefined ? !share : !isAgain) continue;
  test(`looks drawn at random do on the pages of ${name} what was promised`, async () => {
    test.setTimeout(180_000 + share * 300_000);
    const site = siteOf(name);
    const open = new Map<string, LivePage>();
    const total = { looks: 0, values: 0, real: 0, differing: 0, foreign: 0, others: 0, unpromised: 0 };
    const prove = async (context: BrowserContext) => {
      const live = async (version: string) => {
        let own = open.get(version);
        if (!own) {
          const page = await context.newPage();
          await show(page, version);
          open.set(version, (own = await LivePage.of(page, version)));
        }
        await own.page.bringToFront();
        return own;
      };
      for (let round = 0; again === undefined ? total.looks < share : round < rounds; round++) {
        const drawn = (again ?? seed * OF_SEED + at * OF_SITE) + round;
        total.looks += wearAtRandom(site, drawn);
        const outcome = await proveLive(site, live);
        total.values += outcome.values;
        total.real += outcome.real;
        total.differing += outcome.differing.length;
        total.foreign += outcome.foreign.length;
        total.others += outcome.others;
        total.unpromised += outcome.unpromised;
        expect.soft(outcome.differing.slice(0, 6), `drawn from ${drawn}`).toEqual([]);
        expect.soft(outcome.foreign.slice(0, 6), `drawn from ${drawn}`).toEqual([]);
      }
    };
    await asOneStep(() => withHistory(prove));
    console.log(
      `${name}: looks ${total.looks}, values ${total.values} (${total.real} by pointer, keys and history),`,
      `differing ${total.differing}, foreign elements changed ${total.foreign} of ${total.others}, rows not promised ${total.unpromised}`,
    );
    if (process.env.RETOQUE_PROOF) appendFileSync(process.env.RETOQUE_PROOF, `${JSON.stringify(total)}\n`);
    expect(total.values).toBeGreaterThan(0);
  });
}
