import { longRunOn, type LongRun } from './longRun';
import type { LookFor, OpenedPhoto, PhotoApi } from './photo.worker';
import { startPhoto } from './startPhoto';

export type { LookFor, OpenedPhoto };

export const photoInWorker = (file: Blob, look: LookFor): LongRun<OpenedPhoto | null> =>
  longRunOn<PhotoApi, OpenedPhoto | null>(startPhoto, (api) => api.open(file, look));
