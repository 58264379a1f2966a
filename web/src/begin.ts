import { fetchAhead } from './app/rigAhead';
import { PAGES, type Route } from './stages/pages';
import { startAnalysis } from './workers/workers';

/// What a link leads to is fetched side by side with the application itself: the rig, its page, and what computes it.

void import('./main');

const rigId = /^\/rigs\/([^/]+)\//u.exec(location.pathname)?.[1];
const route = location.pathname.replace(/^\/rigs\/[^/]+/u, '/rigs/:rigId');
if (rigId) {
  fetchAhead(rigId);
  startAnalysis();
}
if (route in PAGES) void PAGES[route as Route]();
