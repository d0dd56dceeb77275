import { ownFiguresText } from '@/core/ownFiguresText';

/** Starts the worker. The bundler finds the worker's file by this very expression, so it stands alone. */
export const startCracks = (): Worker =>
  new Worker(new URL('./cracks.worker', import.meta.url), { name: ownFiguresText() });
