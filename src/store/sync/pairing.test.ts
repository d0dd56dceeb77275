import { MemoryWire } from '../../../test-support/syncBench';
import { invite, knock, type PairStep } from './pairing';
import { between, digitsOf, ownPair, packed, roomKey, randomBytes, seal, unpacked, unseal } from './seal';
import type { SyncState } from './state';

const until = async (holds: () => boolean) => {
  for (let i = 0; i < 300 && !holds(); i++) await new Promise((r) => setTimeout(r, 5));
  expect(holds()).toBe(true);
};

async function host(wire: MemoryWire, job: { jobId: string; label: string } | null = null) {
  const pair = await ownPair();
  const me = { id: 'host-1', name: 'Tablet', ...pair };
  const steps: PairStep[] = [];
  const came: string[] = [];
  const group = { secret: btoa('k'.repeat(32)), epoch: 3, without: [] };
  const made = await invite(
    me,
    job ? { kind: 'job', ...job } : { kind: 'shop', group },
    { wire, now: () => 1000, uuid: () => 'given-1', came: async (n) => void came.push(n.name) },
    (s) => steps.push(s),
  );
  return { made, steps, came, group };
}

async function guest(wire: MemoryWire, code: string, name = 'Phone', now = 1000) {
  const steps: PairStep[] = [];
  const states: SyncState[] = [];
  const asked = await knock(code, name, { wire, now: () => now, came: async (s) => void states.push(s) }, (s) =>
    steps.push(s),
  );
  return { steps, states, asked };
}

it('shows the same digits on both, and gives the shop’s key to that device only when it is let in', async () => {
  const wire = new MemoryWire();
  const a = await host(wire);
  const b = await guest(wire, a.made.code);
  await until(() => a.steps.at(-1)?.step === 'compare' && b.steps.at(-1)?.step === 'compare');
  const [x, y] = [a.steps.at(-1), b.steps.at(-1)] as Extract<PairStep, { step: 'compare' }>[];
  expect(x!.digits).toMatch(/^\d{4}$/);
  expect(y!.digits).toBe(x!.digits);
  expect(b.states).toEqual([]);
  await a.made.letIn();
  await until(() => b.states.length === 1);
  expect(b.states[0]).toMatchObject({ group: a.group, loan: null, me: { id: 'given-1', name: 'Phone' } });
  expect(a.came).toEqual(['Phone']);
  // nothing that went over the line holds the key or the code
  const said = JSON.stringify(wire.frames);
  expect(said).not.toContain(a.group.secret);
  expect(said).not.toContain(a.made.code);
});

it('lets one device in for a code; a second one is told, and a refused one gets nothing', async () => {
  const wire = new MemoryWire();
  const a = await host(wire, { jobId: 'job-1', label: 'J-0001' });
  const b = await guest(wire, a.made.code, 'Phone', 1000 + 400 * 86_400_000);
  await until(() => b.steps.at(-1)?.step === 'compare');
  expect(b.steps.at(-1)).toMatchObject({ job: 'J-0001', clockByMs: -400 * 86_400_000 });
  const c = await guest(wire, a.made.code, 'Stranger');
  await until(() => c.steps.at(-1)?.step === 'spent');
  a.made.refuse();
  await until(() => b.steps.at(-1)?.step === 'no');
  expect([b.states, c.states, a.came]).toEqual([[], [], []]);
});

it('a code that is none is refused at once', async () => {
  const wire = new MemoryWire();
  await expect(guest(wire, 'short')).rejects.toThrow();
  await expect(guest(wire, '%%%')).rejects.toThrow();
});

it('sealing holds: another key, another reader, one changed byte, a packed bomb', async () => {
  const a = await roomKey(randomBytes(32));
  const b = await roomKey(randomBytes(32));
  expect(a.room).toMatch(/^[A-Za-z0-9_-]{43}$/);
  const sealed = await seal(a.key, await packed('said'), 'x>y');
  expect(await unpacked(await unseal(a.key, sealed, 'x>y'))).toBe('said');
  await expect(unseal(b.key, sealed, 'x>y')).rejects.toThrow();
  await expect(unseal(a.key, sealed, 'x>z')).rejects.toThrow();
  const changed = sealed.slice();
  changed[20]! ^= 1;
  await expect(unseal(a.key, changed, 'x>y')).rejects.toThrow();
  await expect(unpacked(await packed('0'.repeat(13_000_000)))).rejects.toThrow('larger than any message');
  expect(await digitsOf(['a', 'b'])).not.toBe(await digitsOf(['a', 'c']));
});

it('keys that are agreed are the same on both sides', async () => {
  const [p, q] = [await ownPair(), await ownPair()];
  const sealed = await seal(await between(p.secret, q.open), new Uint8Array([1, 2, 3]), 't');
  expect([...(await unseal(await between(q.secret, p.open), sealed, 't'))]).toEqual([1, 2, 3]);
});
