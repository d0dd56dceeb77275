import { lazy } from 'react';

/** With all that finds the entry which a page broke on: nothing that every page has to bring along. */
export const BrokenPage = lazy(() => import('./BrokenPage').then((m) => ({ default: m.BrokenPage })));
