import { lazy } from 'react';

/** The chart library is loaded with the first heat, not with the app. */
export const HeatChart = lazy(() => import('./HeatChart'));
