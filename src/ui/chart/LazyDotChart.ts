import { lazy } from 'react';

/** Loaded where a promise is looked at. */
export const DotChart = lazy(() => import('./DotChart').then((m) => ({ default: m.DotChart })));
