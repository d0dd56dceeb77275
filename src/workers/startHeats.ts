import { ownFiguresText } from '@/core/ownFiguresText';

/** Starts the worker. The bundler finds the worker's file by this very expression, so it stands alone. */
export const startHeats = (): Worker =>
  new Worker(new URL('./heats.worker', import.meta.url), { name: ownFiguresText() });
