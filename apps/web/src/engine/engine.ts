import type { Page } from '@retoque/contract';
import { useQuery } from '@tanstack/react-query';
import { wrap, type Remote } from 'comlink';
import type { Engine } from './protocol';

/** The worker that computes; started when a page is first opened. */
let remote: Remote<Engine> | undefined;

export function engine(): Remote<Engine> {
  remote ??= wrap<Engine>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'engine' }));
  return remote;
}

let surveyor: Remote<Engine> | undefined;

/** A second worker that looks at the site's other pages, so that the page in hand never waits for them. */
export function surveyEngine(): Remote<Engine> {
  surveyor ??= wrap<Engine>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'surveyor' }));
  return surveyor;
}

/** Opens a page in the worker; resolves to its version once it is parsed there. */
export function useOpenedPage(page: Page | undefined) {
  return useQuery({
    queryKey: ['engine', 'open', page?.version.id],
    enabled: page !== undefined,
    staleTime: Infinity,
    queryFn: async () => {
      const { id, html, address, sheets, assets } = page!.version;
      const { title } = await engine().open({ id, html, address, sheets, assets });
      return { versionId: id, title };
    },
  });
}
