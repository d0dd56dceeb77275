import { lazyPiece } from '@/ui/lazyPiece';

/** Loaded where a joint was closed, not with every debrief. */
export const ClosingDebrief = lazyPiece(() => import('./ClosingDebrief').then((m) => m.ClosingDebrief));
