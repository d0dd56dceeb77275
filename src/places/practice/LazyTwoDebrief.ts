import { lazyPiece } from '@/ui/lazyPiece';

/** Loaded where two devices were worked on at once. */
export const TwoDebrief = lazyPiece(() => import('./TwoDebrief').then((m) => m.TwoDebrief));
