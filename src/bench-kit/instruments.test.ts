import {
  connectInstruments,
  controlPlate,
  disconnectInstruments,
  instrumentsNow as now,
  simulate,
} from './instruments';

class FakeSource {
  static last: FakeSource | null = null;
  onerror: (() => void) | null = null;
  closed = false;
  private readonly listeners = new Map<string, (e: { data: string }) => void>();
  constructor(readonly url: string) {
    FakeSource.last = this;
  }
  addEventListener(type: string, f: (e: { data: string }) => void) {
    this.listeners.set(type, f);
  }
  close() {
    this.closed = true;
  }
  send(type: string, data: unknown) {
    this.listeners.get(type)?.({ data: typeof data === 'string' ? data : JSON.stringify(data) });
  }
}

const about = { simulated: true, device: 'ring61', faults: ['none', 'loose'] };
const reading = (probeC: number | null | undefined, atS = 1) => ({
  atS,
  probeC,
  plateC: 80,
  setC: 110,
  heating: true,
  deviceOn: true,
});
const posted: { url: string; body: unknown }[] = [];
let answer: () => Promise<{ ok: boolean; status: number; json: () => Promise<unknown> }>;

beforeEach(() => {
  posted.length = 0;
  answer = async () => ({ ok: true, status: 200, json: async () => about });
  Object.assign(globalThis, {
    EventSource: FakeSource,
    fetch: (url: string, init?: { body?: string }) => {
      if (init?.body) posted.push({ url, body: JSON.parse(init.body) as unknown });
      return answer();
    },
  });
  disconnectInstruments();
  FakeSource.last = null;
});

it('is off until somebody connects, and needs nothing then', () => {
  expect(now()).toMatchObject({ state: 'off', readings: [], problem: null });
  controlPlate({ setC: 110 });
  expect(posted).toEqual([]);
});

it('connects, takes readings with the time of this browser, and lets go', async () => {
  await connectInstruments();
  expect(now()).toMatchObject({ state: 'connecting', about });
  FakeSource.last!.send('reading', reading(42.5));
  FakeSource.last!.send('reading', reading(null, 2));
  expect(now().state).toBe('live');
  expect(now().readings.map((r) => r.tempC)).toEqual([42.5, null]);
  expect(Math.abs(now().readings[0]!.at - Date.now())).toBeLessThan(1000);
  expect(now().plate).toEqual({ plateC: 80, setC: 110, heating: true });
  // a second connect does not make a second stream
  const first = FakeSource.last;
  await connectInstruments();
  expect(FakeSource.last).toBe(first);
  disconnectInstruments();
  expect(first!.closed).toBe(true);
  expect(now().state).toBe('off');
});

it('an event without the field carries the plate only: the probe has said nothing', async () => {
  await connectInstruments();
  FakeSource.last!.send('reading', reading(30));
  FakeSource.last!.send('plate', { ...reading(undefined), plateC: 95 });
  expect(now().readings).toHaveLength(1);
  expect(now().plate!.plateC).toBe(95);
});

it.each([['no JSON at all'], ['{"atS":1}'], [{ ...reading(5000) }], [{ ...reading(20), plateC: 'hot' }]])(
  'what is no reading is left alone: %j',
  async (data) => {
    await connectInstruments();
    FakeSource.last!.send('reading', reading(30));
    FakeSource.last!.send('reading', data);
    expect(now().readings).toHaveLength(1);
    expect(now().plate!.plateC).toBe(80);
  },
);

it('readings older than a quarter of an hour are let go', async () => {
  jest.useFakeTimers({ now: 1_000_000 });
  await connectInstruments();
  FakeSource.last!.send('reading', reading(30));
  jest.setSystemTime(1_000_000 + 16 * 60_000);
  FakeSource.last!.send('reading', reading(31));
  expect(now().readings.map((r) => r.tempC)).toEqual([31]);
  jest.useRealTimers();
});

it('no server, or one without instruments: said, and everything else works', async () => {
  answer = async () => {
    throw new Error('offline');
  };
  await connectInstruments();
  expect(now()).toMatchObject({ state: 'off', problem: 'No instrument answers. Everything else works without one.' });
  answer = async () => ({ ok: true, status: 200, json: async () => ({ other: 'service' }) });
  await connectInstruments();
  expect(now()).toMatchObject({ state: 'off', problem: expect.stringContaining('No instrument answers') });
  expect(FakeSource.last).toBeNull();
});

it('a stream that breaks is said, and is live again with the next reading', async () => {
  await connectInstruments();
  FakeSource.last!.send('reading', reading(30));
  FakeSource.last!.onerror!();
  expect(now()).toMatchObject({ state: 'lost', problem: 'The instrument does not answer; waiting for it.' });
  FakeSource.last!.send('reading', reading(31));
  expect(now()).toMatchObject({ state: 'live', problem: null });
});

it('sets the plate only while it is live; a refusal and a silence are said', async () => {
  await connectInstruments();
  FakeSource.last!.send('reading', reading(30));
  controlPlate({ setC: 110, heating: true });
  expect(posted).toEqual([{ url: '/api/instruments/control', body: { setC: 110, heating: true } }]);
  answer = async () => ({ ok: false, status: 400, json: async () => ({}) });
  await simulate({ fault: 'fire' });
  expect(now().problem).toBe('The instrument refused: 400.');
  answer = async () => {
    throw new Error('gone');
  };
  await simulate({ pace: 2 });
  expect(now().problem).toBe('The instrument does not answer. Set the plate by hand.');
});
