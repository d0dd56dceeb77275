import type { CrackAnswer, CrackQuestion } from '../core/lift/cracks/crackWork';
import { askPieces } from './cracksClient';

/** A worker that answers Comlink's messages when the test says so. */
class FakeWorker {
  static last: FakeWorker;
  private readonly listeners = new Set<(e: unknown) => void>();
  asked: { id: string; argumentList: { value: CrackQuestion }[] }[] = [];
  constructor() {
    FakeWorker.last = this;
  }
  addEventListener(_: string, f: (e: unknown) => void) {
    this.listeners.add(f);
  }
  removeEventListener(_: string, f: (e: unknown) => void) {
    this.listeners.delete(f);
  }
  start() {}
  postMessage(m: FakeWorker['asked'][number]) {
    this.asked.push(m);
  }
  answer(value: unknown) {
    const { id } = this.asked.at(-1)!;
    for (const f of [...this.listeners]) f({ data: { id, type: 'RAW', value } });
  }
}

const mockStart = () => new FakeWorker();
jest.mock('./startCracks', () => ({ startCracks: () => mockStart() }));

const question = (n: number): CrackQuestion => ({
  outline: { kind: 'disc', c: [0, 0], rMm: 10 },
  holes: [],
  keepOuts: [],
  cracks: Array.from({ length: n }, (_, i) => [
    [i, -20],
    [i, 20],
  ]),
});
const settle = () => new Promise((r) => setTimeout(r));

it('while one question is answered only the newest one waits, and answers come in the order of asking', async () => {
  const told: string[] = [];
  const tell = (name: string) => (a: CrackAnswer) => void told.push(`${name} ${'problem' in a ? a.problem : 'ok'}`);
  askPieces(question(1), tell('first'));
  askPieces(question(2), tell('dropped'));
  askPieces(question(3), tell('newest'));
  const w = FakeWorker.last;
  expect(w.asked).toHaveLength(1);
  w.answer({ problem: 'one' });
  await settle();
  expect(w.asked).toHaveLength(2);
  expect(w.asked[1]!.argumentList[0]!.value.cracks).toHaveLength(3);
  w.answer({ problem: 'three' });
  await settle();
  expect(told).toEqual(['first one', 'newest three']);
  // and after a rest the next one goes out at once
  askPieces(question(4), tell('later'));
  expect(w.asked).toHaveLength(3);
});
