import { lazyPiece } from '@/ui/lazyPiece';

/** Loaded where a promise is looked at. */
export const DotChart = lazyPiece(() => import('./DotChart').then((m) => m.DotChart));
