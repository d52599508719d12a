import { composeScript } from '@retoque/behaviours/compose';
import { serveWork } from '../work/serve-work.js';

/** Of one process. */
const MEGABYTES = 600;

serveWork({ composeScript }, { megabytes: MEGABYTES });
