import { lazy } from 'react';

/** Loaded with the first exercise, not with every job. */
export const PracticeFrame = lazy(() => import('./PracticeFrame'));
