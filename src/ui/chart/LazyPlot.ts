import { lazyPiece } from '@/ui/lazyPiece';

/** Curves are drawn where somebody looks at them, and loaded with the first one. */
export const Plot = lazyPiece(() => import('./Plot').then((m) => m.Plot));
