import { lazyPiece } from '@/ui/lazyPiece';

/** Loaded where a shattered cover was taken off, not with every debrief. */
export const PiecesDebrief = lazyPiece(() => import('./PiecesDebrief').then((m) => m.PiecesDebrief));
