import type { Page } from '@retoque/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { proxy, wrap, type Remote } from 'comlink';
import type { Engine, EnginePage, FramesListener } from './protocol';
import { startWorker } from './start-worker';

/** The worker that computes; started when a page is first opened. */
let remote: Remote<Engine> | undefined;

const framesListeners = new Set<FramesListener>();

export function engine(): Remote<Engine> {
  if (remote) return remote;
  remote = wrap<Engine>(startWorker('engine'));
  void remote.onFrames(
    proxy((editNumber, rules) => {
      for (const listener of framesListeners) listener(editNumber, rules);
    }),
  );
  return remote;
}

/** Listens to the CSS for still frames that goes before each sheet; returns what ends that. */
export function onFrames(listener: FramesListener): () => void {
  framesListeners.add(listener);
  return () => framesListeners.delete(listener);
}

let surveyor: Remote<Engine> | undefined;

/** A second worker that looks at the site's other pages, so that the page in hand never waits for them. */
export function surveyEngine(): Remote<Engine> {
  surveyor ??= wrap<Engine>(startWorker('surveyor'));
  return surveyor;
}

const pages = new Map<string, string>();

/** The page that an edition is of, where a worker was given it. */
export const pageOfEdition = (edition: string): string | undefined => pages.get(edition);

/** What the worker needs of a page, under the name of its version with the changes that were made to it. */
export const enginePage = ({ siteId, id: pageId, name, version }: Page): EnginePage => {
  const { edition, html, address, sheets, assets, changes } = version;
  pages.set(edition, pageId);
  return { siteId, pageId, name, id: edition, html, address, sheets, assets, changes };
};

/** A page opened in the worker; resolves to its edition once it is parsed there. */
export const openedQuery = (page: Page | undefined) =>
  queryOptions({
    queryKey: ['engine', 'open', page?.version.edition],
    enabled: page !== undefined,
    staleTime: Infinity,
    queryFn: async () => {
      const { title } = await engine().open(enginePage(page!));
      return { versionId: page!.version.edition, title };
    },
  });

/** The same for a screen. While a change of the page is on its way the edition before it stays. */
export const useOpenedPage = (page: Page | undefined) =>
  useQuery({
    ...openedQuery(page),
    placeholderData: (before) => (before?.versionId.split('+')[0] === page?.version.id ? before : undefined),
  });
