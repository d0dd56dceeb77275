import { lazyPiece } from '@/ui/lazyPiece';

/** Only a wide screen has room for it. */
export const JobDetail = lazyPiece(() => import('./JobDetail').then((m) => m.default));
