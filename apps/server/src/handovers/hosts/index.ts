import { FOLDER } from './folder.js';
import type { Host } from './host.js';

export type { Cargo, Delivery, Host, HostFile } from './host.js';

/** The hosts by their names, which the contract lists. */
export const HOSTS: Readonly<Record<'folder', Host>> = { folder: FOLDER };
