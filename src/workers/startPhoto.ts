import { ownFiguresText } from '@/core/ownFiguresText';

/** Starts the worker. The bundler finds the worker's file by this very expression, so it stands alone. */
export const startPhoto = (): Worker =>
  new Worker(new URL('./photo.worker', import.meta.url), { name: ownFiguresText() });
