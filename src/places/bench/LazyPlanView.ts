import { lazyPiece } from '@/ui/lazyPiece';

/** The day as a picture: with all that it can be moved by, it comes after what is to be done now. */
export const PlanView = lazyPiece(() => import('./PlanView').then((m) => m.PlanView));
