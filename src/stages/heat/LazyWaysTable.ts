import { lazyPiece } from '@/ui/lazyPiece';

/** What sorts tables is loaded with the first table that is opened. */
export const WaysTable = lazyPiece(() => import('./WaysTable').then((m) => m.default));
