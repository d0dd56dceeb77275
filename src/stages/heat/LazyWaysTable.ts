import { lazy } from 'react';

/** What sorts tables is loaded with the first table that is opened. */
export const WaysTable = lazy(() => import('./WaysTable'));
