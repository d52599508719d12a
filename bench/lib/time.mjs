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

/** Medians of runs that take turns, in milliseconds, after one of each that does not count. */
export function inTurn(runs, rounds = 7) {
  const taken = runs.map(() => []);
  for (let round = 0; round <= rounds; round++) {
    runs.forEach((run, i) => {
      const start = performance.now();
      run();
      if (round) taken[i].push(performance.now() - start);
    });
  }
  return taken.map((own) => own.sort((a, b) => a - b)[Math.floor(own.length / 2)]);
}

export const ms = (value) => (value >= 100 ? `${value.toFixed(0)} ms` : `${value.toFixed(1)} ms`);
export const times = (value) => (value >= 10 ? `${value.toFixed(0)}x` : `${value.toFixed(2)}x`);
