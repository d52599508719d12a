import type { SiteAsset } from '@retoque/contract';
import type { Remote } from 'comlink';
import type { Engine } from './protocol';

/** Tells a worker which pictures and fonts looks of the site may name, so that frames and figures have them. */
export const tellFiles = (worker: Remote<Engine>, assets: readonly SiteAsset[]): Promise<void> =>
  worker.useFiles(assets.map(({ address, hash, font }) => ({ address, hash, font })));
