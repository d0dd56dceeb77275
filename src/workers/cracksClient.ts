import { wrap, type Remote } from 'comlink';

import type { CrackAnswer, CrackQuestion } from '@/core/lift/cracks/crackWork';
import type { CracksApi } from './cracks.worker';
import { startCracks } from './startCracks';
import { silenceMs, watched } from './watched';

let running: { worker: Worker; api: Remote<CracksApi> } | null = null;
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

/** A worker that died or says nothing is ended and started again once; then the problem is the answer. */
async function answerOf(q: CrackQuestion): Promise<CrackAnswer> {
  for (let left = 1; ; left--) {
    try {
      if (!running) {
        const worker = startCracks();
        running = { worker, api: wrap<CracksApi>(worker) };
      }
      return await watched<CrackAnswer>(running.worker, running.api.pieces(q), silenceMs.answer);
    } catch (e) {
      running?.worker.terminate();
      running = null;
      if (left <= 0) return { problem: e instanceof Error ? e.message : 'the pieces could not be computed' };
    }
  }
}

async function next(): Promise<void> {
  busy = true;
  while (waiting) {
    const { q, tell } = waiting;
    waiting = null;
    tell(await answerOf(q));
  }
  busy = false;
}
