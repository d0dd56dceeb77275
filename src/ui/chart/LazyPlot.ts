import { lazy } from 'react';

/** Curves are drawn where somebody looks at them, and loaded with the first one. */
export const Plot = lazy(() => import('./Plot').then((m) => ({ default: m.Plot })));
