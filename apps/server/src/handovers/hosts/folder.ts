import { asFileName } from '@retoque/core';
import { zip } from 'fflate';
import type { Host } from './host.js';

/** One folder to download: for whoever carries the files to the site by hand. */
export const FOLDER: Host = {
  name: 'folder',
  deliver: ({ siteName, files }) => {
    const folder = asFileName(siteName) || 'site';
    const entries = Object.fromEntries(files.map(({ path, bytes }) => [`${folder}/${path}`, bytes]));
    return new Promise((resolve, reject) => {
      zip(entries, { level: 6 }, (error, bytes) => {
        if (error) reject(error);
        else resolve({ name: `${folder}-retoque.zip`, contentType: 'application/zip', bytes });
      });
    });
  },
};
