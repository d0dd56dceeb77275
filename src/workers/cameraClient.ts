import { proxy } from 'comlink';

import type { Shot, ShotEdge } from '@/core/camera/shot';
import type { Specks } from '@/core/camera/specks';
import type { CameraApi } from './camera.worker';
import { longRunOn, type LongRun } from './longRun';
import { startCamera } from './startCamera';

export type FlatResult = Specks & { width: number; height: number };

export const targetInWorker = (file: Blob, onProgress: (share: number) => void): LongRun<Shot> =>
  longRunOn<CameraApi, Shot>(startCamera, (api) => api.target(file, proxy(onProgress)));

export const tappedInWorker = (file: Blob, at: readonly [number, number], key: string): LongRun<ShotEdge> =>
  longRunOn<CameraApi, ShotEdge>(startCamera, (api) => api.tapped(file, at, key));

export const flatInWorker = (file: Blob, onProgress: (share: number) => void): LongRun<FlatResult> =>
  longRunOn<CameraApi, FlatResult>(startCamera, (api) => api.flat(file, proxy(onProgress)));
