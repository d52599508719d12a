// Clients that save one look after the other, as windows do, and remember what was acknowledged.

const LOCATOR = { tag: 'a', classes: [], attributes: {}, text: 'Go', ancestry: [] };
const wait = (millis) => new Promise((resolve) => setTimeout(resolve, millis));

export async function call(url, method, path, body) {
  return fetch(`${url}/api${path}`, {
    method,
    headers: { origin: new URL(url).origin, 'content-type': 'application/json' },
    body: body && JSON.stringify(body),
    signal: AbortSignal.timeout(20_000),
  });
}

/** A site with a page to save looks on. */
export async function bringPage(url, html = '<!doctype html><title>T</title><a class="go" href="#">Go</a>') {
  const answer = await call(url, 'POST', '/pages/from-paste', { site: { name: 'Saved on' }, name: 'Page', html });
  if (!answer.ok) throw new Error(`The page was not taken: ${await answer.text()}`);
  return answer.json();
}

/** A client with a component of its own. */
export async function saver(url, pageId, number) {
  const body = { pageId, kind: 'link', name: `Go ${number}`, locator: { ...LOCATOR, selector: `.go-${number}` } };
  const component = await (await call(url, 'POST', '/components', body)).json();
  const settings = [];
  const own = { component, acknowledged: 0, answers: [] };

  /** Saves one more setting, and sends it again until it is answered. */
  own.save = async ({ grows = true, signal } = {}) => {
    const setting = {
      part: 'link',
      property: `--s${grows ? own.acknowledged : 0}`,
      when: { states: [] },
      value: String(own.acknowledged),
    };
    if (grows) settings.push(setting);
    const save = {
      baseRevision: own.acknowledged,
      saveId: crypto.randomUUID(),
      look: { settings: grows ? settings : [setting], exceptions: [], muted: [] },
    };
    for (;;) {
      const begun = performance.now();
      try {
        const answer = await call(
          url,
          'PUT',
          `/components/${component.id}/trials/${component.currentTrialId}/look`,
          save,
        );
        if (answer.ok) {
          const { revision } = await answer.json();
          if (revision !== own.acknowledged + 1) throw new Error(`revision ${revision} after ${own.acknowledged}`);
          own.acknowledged = revision;
          own.answers.push(performance.now() - begun);
          return;
        }
        if (answer.status !== 503) throw new Error(`a save was answered with ${answer.status}: ${await answer.text()}`);
      } catch (error) {
        // No answer at all is what a server that was killed gives.
        if (!/fetch failed|terminated|aborted|timeout/i.test(error.message)) throw error;
      }
      if (signal?.aborted) return;
      await wait(100);
    }
  };

  /** How many acknowledged settings the server no longer has, and how many revisions it has that nobody was told of. */
  own.lost = async () => {
    const stored = await (await call(url, 'GET', `/components/${component.id}`)).json();
    const [trial] = stored.trials;
    const known = new Set(trial.look.settings.map(({ property }) => property));
    const missing = settings.slice(0, own.acknowledged).filter(({ property }) => !known.has(property)).length;
    return missing + Math.abs(trial.revision - own.acknowledged);
  };
  return own;
}

/** The middle and the slow end of durations, in milliseconds. */
export function percentiles(millis) {
  const sorted = [...millis].sort((a, b) => a - b);
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
  return [0.5, 0.95, 0.99].map((share) => `p${share * 100} ${at(share).toFixed(0)} ms`).join(', ');
}
