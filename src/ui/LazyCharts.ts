import { lazy } from 'react';

/** The chart library is loaded where a chart is looked at, not with the app. */
export const Charts = lazy(() => import('./Charts'));
