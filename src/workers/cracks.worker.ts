import './ownFigures';

import { expose } from 'comlink';

import { crackWork, type CrackAnswer, type CrackQuestion } from '@/core/lift/cracks/crackWork';

const api = { pieces: (q: CrackQuestion): CrackAnswer => crackWork(q) };

export type CracksApi = typeof api;

expose(api);
