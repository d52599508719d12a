import { step } from './log.mjs';

const wait = (millis) => new Promise((resolve) => setTimeout(resolve, millis));
/** Ending so often within this time is no accident any more. */
const TRIES = 5;
const WITHIN_MILLIS = 60_000;

/**
 * Keeps a service running: one that ends by itself is started again, with a longer pause each time.
 *
 * @param start starts the service anew
 * @param tries how often it may end within a minute before it is given up
 * @returns the service that runs now, with `closed` resolving once it is given up, and a way to stop it for good
 */
export async function keptUp(start, { tries: most = TRIES } = {}) {
  let service = await start();
  let isStopped = false;
  const ends = [];
  const closed = (async () => {
    for (;;) {
      await service.closed;
      if (isStopped) return;
      const now = Date.now();
      ends.push(now);
      if (ends.filter((at) => now - at < WITHIN_MILLIS).length >= most) return;
      step(`${service.name} ended by itself and is started again`);
      for (let tries = 0; ; tries++) {
        await wait(Math.min(250 * 2 ** tries, 4000));
        if (isStopped) return;
        try {
          service = await start();
          break;
        } catch (error) {
          // Its database may be away just now as well.
          if (tries >= TRIES) return;
          step(`${service.name} does not start yet: ${error.message}`);
        }
      }
    }
  })();
  return {
    name: service.name,
    closed,
    stop: async () => {
      isStopped = true;
      await service.stop();
    },
    pid: () => service.pid,
  };
}
