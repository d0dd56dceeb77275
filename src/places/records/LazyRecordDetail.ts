import { lazy } from 'react';

/** Only a wide screen has room for it. */
export const RecordDetail = lazy(() => import('./RecordDetail'));
