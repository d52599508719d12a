import { serveWork } from '../../work/serve-work.js';
import { readPage, readSheet } from './read-page.js';

// Reading a large page takes a second or two; in a process of its own nobody else waits for that.
serveWork({ page: readPage, sheet: readSheet }, { megabytes: 1500 });
