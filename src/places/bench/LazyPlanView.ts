import { lazy } from 'react';

/** The day as a picture: with all that it can be moved by, it comes after what is to be done now. */
export const PlanView = lazy(() => import('./PlanView').then((m) => ({ default: m.PlanView })));
