import { lazyPiece } from '@/ui/lazyPiece';

/** The chart library is loaded with the records, not with the app. */
export const WatchChart = lazyPiece(() => import('./WatchChart').then((m) => m.default));
