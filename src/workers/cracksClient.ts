import { wrap, type Remote } from 'comlink';

import type { CrackAnswer, CrackQuestion } from '@/core/lift/cracks/crackWork';
import type { CracksApi } from './cracks.worker';
import { startCracks } from './startCracks';

let api: Remote<CracksApi> | null = null;
let busy = false;
let waiting: { q: CrackQuestion; tell: (a: CrackAnswer) => void } | null = null;

/**
 * Asks for pieces and order. While a finger draws, questions come faster than answers: only the newest one waits, those in
 * between are dropped, and every answer is told in the order in which it was asked.
 */
export function askPieces(q: CrackQuestion, tell: (a: CrackAnswer) => void): void {
  waiting = { q, tell };
  if (!busy) void next();
}

async function next(): Promise<void> {
  busy = true;
  while (waiting) {
    const { q, tell } = waiting;
    waiting = null;
    api ??= wrap<CracksApi>(startCracks());
    try {
      tell(await api.pieces(q));
    } catch (e) {
      // a worker that died is started again by the next question
      api = null;
      tell({ problem: e instanceof Error ? e.message : 'the pieces could not be computed' });
    }
  }
  busy = false;
}
