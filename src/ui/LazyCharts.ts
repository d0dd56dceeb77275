import { lazyPiece } from '@/ui/lazyPiece';

/** The chart library is loaded where a chart is looked at, not with the app. */
export const Charts = lazyPiece(() => import('./Charts').then((m) => m.default));
