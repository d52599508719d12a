import { startAhead } from './engine/start-worker';

// Nothing heavy stands in this file, so that the worker's code is on its way before the application's own is read: a
// browser goes on with starting a worker only where the page has a moment for it.
if (location.pathname.startsWith('/sites/')) startAhead('engine');
void import('./main');
