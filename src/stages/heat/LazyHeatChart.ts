import { lazyPiece } from '@/ui/lazyPiece';

/** The chart library is loaded with the first heat, not with the app. */
export const HeatChart = lazyPiece(() => import('./HeatChart').then((m) => m.default));
