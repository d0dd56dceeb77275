import { lazyPiece } from '@/ui/lazyPiece';

/** Only a wide screen has room for it. */
export const RecordDetail = lazyPiece(() => import('./RecordDetail').then((m) => m.default));
