import { lazyPiece } from '@/ui/lazyPiece';

/** Only a wide screen has room for it. */
export const ModelDetail = lazyPiece(() => import('./ModelDetail').then((m) => m.default));
