import { lazyPiece } from '@/ui/lazyPiece';

/** With all that finds the entry which a page broke on: nothing that every page has to bring along. */
export const BrokenPage = lazyPiece(() => import('./BrokenPage').then((m) => m.BrokenPage));
