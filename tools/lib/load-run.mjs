import { bringPage, call, percentiles, saver } from './savers.mjs';

const url = process.env.RETOQUE_URL;
const CLIENTS = 20;
const HALF_MILLIS = 30_000;
const CHECKERS = 4;

const links = Array.from({ length: 120 }, (_, i) => `<li class="c${i}"><a class="go" href="#">Go ${i}</a></li>`).join(
  '',
);
const page = await bringPage(url, `<!doctype html><title>T</title><ul>${links}</ul>`);
const clients = [];
for (let i = 0; i < CLIENTS; i++) clients.push(await saver(url, page.id, i));

/** Saves of all clients for a while; their durations, and how many a second there were. */
async function saveFor(millis) {
  const until = Date.now() + millis;
  for (const client of clients) client.answers = [];
  await Promise.all(
    clients.map(async (client) => {
      while (Date.now() < until) await client.save({ grows: false });
    }),
  );
  const answers = clients.flatMap((client) => client.answers);
  return { answers, rate: answers.length / (millis / 1000) };
}

const tell = (name, { answers, rate }) =>
  process.stdout.write(`${name}: ${rate.toFixed(0)} saves a second, ${percentiles(answers)}\n`);

const alone = await saveFor(HALF_MILLIS);
tell('without checks', alone);

let isChecking = true;
let width = 300;
let checked = 0;
const checking = Array.from({ length: CHECKERS }, async () => {
  while (isChecking) {
    // Another width each time, so that no answer is one that was kept.
    const answer = await call(url, 'GET', `/pages/${page.id}/checks?width=${width++}`);
    if (answer.ok) checked++;
    await answer.arrayBuffer();
  }
});
const beside = await saveFor(HALF_MILLIS);
isChecking = false;
await Promise.all(checking);
tell(`with checks (${checked} worked out)`, beside);
process.stdout.write(`saves keep ${((100 * beside.rate) / alone.rate).toFixed(0)} % of their pace\n`);
