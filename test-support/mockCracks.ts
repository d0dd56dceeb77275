import { crackWork, type CrackAnswer, type CrackQuestion } from '../src/core/lift/cracks/crackWork';

/** The crack worker's answer at once, without a worker. */
export const askPieces = (q: CrackQuestion, tell: (a: CrackAnswer) => void) => tell(crackWork(q));
