import { lazyPiece } from '@/ui/lazyPiece';

/** Loaded where two devices are worked on at once. */
export const TwoFrame = lazyPiece(() => import('./TwoFrame').then((m) => m.TwoFrame));
