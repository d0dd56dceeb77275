/** A worker that answers Comlink's messages as the test says, or never. */
export class FakeWorker {
  static last: FakeWorker;
  static readonly all: FakeWorker[] = [];
  terminated = false;
  private readonly listeners = new Map<string, Set<(e: unknown) => void>>();
  constructor() {
    FakeWorker.last = this;
    FakeWorker.all.push(this);
  }
  addEventListener(type: string, f: (e: unknown) => void) {
    this.listeners.set(type, (this.listeners.get(type) ?? new Set()).add(f));
  }
  removeEventListener(type: string, f: (e: unknown) => void) {
    this.listeners.get(type)?.delete(f);
  }
  asked: { id: string; path: string[] }[] = [];
  private readonly ports: Partial<MessagePort>[] = [];
  postMessage(m: { id: string; path: string[] }, transfer: Partial<MessagePort>[] = []) {
    this.asked.push(m);
    this.ports.push(...transfer);
  }
  emit(type: string, e: unknown) {
    for (const f of [...(this.listeners.get(type) ?? [])]) f(e);
  }
  answer(value: unknown) {
    this.emit('message', { data: { id: this.asked.at(-1)!.id, type: 'RAW', value } });
  }
  terminate() {
    this.terminated = true;
    // an open one would keep the tests from ending
    for (const p of this.ports) p.close?.();
  }
}
