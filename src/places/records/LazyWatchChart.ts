import { lazy } from 'react';

/** The chart library is loaded with the records, not with the app. */
export const WatchChart = lazy(() => import('./WatchChart'));
