import { lazyPiece } from '@/ui/lazyPiece';

/** What works out pieces is loaded with them, not with every exercise. */
export const PiecesFrame = lazyPiece(() => import('./PiecesFrame').then((m) => m.PiecesFrame));
