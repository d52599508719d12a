/** Median of several runs, in milliseconds, after one that does not count. */
export async function median(run, times = 5) {
  await run();
  const taken = [];
  for (let i = 0; i < times; i++) {
    const start = performance.now();
    await run();
    taken.push(performance.now() - start);
  }
  return taken.sort((a, b) => a - b)[Math.floor(taken.length / 2)];
}

export const ms = (value) => (value >= 100 ? `${value.toFixed(0)} ms` : `${value.toFixed(1)} ms`);
export const times = (value) => (value >= 10 ? `${value.toFixed(0)}x` : `${value.toFixed(2)}x`);
