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
  terminated = false;
  private readonly failing = new Set<(e: unknown) => void>();
  private of(type: string) {
    return type === 'error' ? this.failing : type === 'message' ? this.listeners : new Set<(e: unknown) => void>();
  }
  addEventListener(type: string, f: (e: unknown) => void) {
    this.of(type).add(f);
  }
  removeEventListener(type: string, f: (e: unknown) => void) {
    this.of(type).delete(f);
  }
  terminate() {
    this.terminated = true;
  }
  fail(message: string) {
    for (const f of [...this.failing]) f({ message });
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
  w.answer({ problem: 'last' });
  await settle();
});

it('a worker that cannot be loaded is started again once; then the problem is the answer, never a statement without one', async () => {
  const told: CrackAnswer[] = [];
  askPieces(question(2), (a) => told.push(a));
  const first = FakeWorker.last;
  first.fail('not found');
  await settle();
  const second = FakeWorker.last;
  expect(second).not.toBe(first);
  expect(first.terminated).toBe(true);
  second.fail('not found again');
  await settle();
  expect(told).toEqual([{ problem: 'not found again' }]);
  // and the next question gets a fresh one
  askPieces(question(3), (a) => told.push(a));
  await settle();
  expect(FakeWorker.last).not.toBe(second);
  FakeWorker.last.answer({ problem: 'fine' });
  await settle();
  expect(told.at(-1)).toEqual({ problem: 'fine' });
});
