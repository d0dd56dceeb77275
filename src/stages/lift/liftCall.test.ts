import { coarseModel } from '../../../test-support/modes';
import { foldOver } from '@/core/lift/foldOver';
import { demoJobs, demoSettings } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { heaterWords } from '@/words/heaterWords';
import { liftState, thermalJob } from '@/work/heat/thermalJob';
import { liftCall, type LiftCallInput } from './liftCall';

const t0 = Date.UTC(2026, 3, 14, 13);
const { model } = coarseModel();
const job = foldJob(demoJobs(t0)[0]!)!;
const thermal = thermalJob(job, demoSettings, model, t0);
const lift = liftState(job, demoSettings, thermal.path, thermal.arcs);

const base: LiftCallInput = {
  words: heaterWords({ kind: 'plate' }),
  lift,
  verdict: 'go',
  arcUsualC: 64,
  arcHighC: 72,
  onPlate: false,
  everHeated: true,
  cold: false,
  swollen: false,
  batteryHighC: 58,
  stopC: 80,
  easyForS: 45,
  gripsForS: 230,
  reheatS: 50,
  window: {
    edge: 'right',
    needMm: 3,
    limitMm: 5,
    limitedBy: {
      id: 'c',
      name: 'camera island',
      shape: { kind: 'disc', c: [0, 0], rMm: 1 },
      clearMm: 1,
      why: 'camera',
    },
    closed: [],
  },
  breakChance: 0.01,
  wedge: { verdict: 'reheat', goC: 66, goPickMm: lift.pickMm },
  fold: foldOver(job.device, job.bond, job.device.cables[0]!),
  cablesUnknown: false,
  edgesLeft: 4,
  units: demoSettings,
};
const say = (change: Partial<LiftCallInput>) => liftCall({ ...base, ...change });

it('the order of the edges covers every arc once, starting in the middle of the bottom edge', () => {
  expect([...lift.order].sort((a, b) => a - b)).toEqual(thermal.arcs.map((_, i) => i));
  expect(lift.nextEdge).toBe('bottom');
  const first = thermal.arcs[lift.order[0]!]!;
  expect(Math.abs((first.fromMm + first.toMm) / 2)).toBeLessThan(20);
});

it('go, slow and reheat say how long, how deep and what a reheat takes', () => {
  expect(say({}).sentence).toBe('Cut the bottom edge now: easy for 45 s.');
  expect(say({}).reason).toContain('3.0 mm to 5.0 mm deep: camera island behind.');
  // the pace goes down with the line between easy (62) and gripping (45)
  const slow = (arcUsualC: number) => say({ verdict: 'slow', arcUsualC }).sentence;
  expect(slow(61)).toBe('Bottom edge slowly, a little under full speed.');
  expect(slow(57)).toBe('Bottom edge slowly, half the speed.');
  expect(slow(51)).toBe('Bottom edge slowly, a quarter of the speed.');
  expect(slow(45.5)).toBe('Bottom edge slowly, a tenth of the speed.');
  expect(say({ verdict: 'slow' }).reason).toMatch(/It grips in 3 min 50 s.*Reheating takes about 50 s/);
  expect(say({ verdict: 'reheat', arcUsualC: 24 }).sentence).toBe(
    'Back on the plate: the bottom edge has gripped, to 66 °C.',
  );
  expect(say({ verdict: 'reheat' }).reason).toContain('Never force it.');
});

it('hazards and limits come before the bond (law 2)', () => {
  expect(say({ swollen: true, batteryHighC: 90 }).sentence).toBe('Stop: the battery is swollen.');
  expect(say({ batteryHighC: 81 }).sentence).toBe('Hands off: let the battery cool.');
  expect(say({ verdict: 'stop', arcHighC: 125 }).sentence).toBe('Wait: too hot to pry.');
  const never = { ...lift, easyC: null, workC: null };
  expect(say({ verdict: 'stop', lift: never, wedge: { verdict: 'thicker', goC: 60, goPickMm: 1.2 } }).sentence).toBe(
    'Other pick: 1.2 mm goes from 60 °C.',
  );
  expect(say({ verdict: 'stop', lift: never, wedge: { verdict: 'stop', goC: null, goPickMm: null } }).sentence).toBe(
    'Stop: no pick opens this without breaking it.',
  );
});

it('at the end says which way the cover may be folded', () => {
  const free = { ...lift, nextEdge: null, order: [] };
  expect(say({ lift: free }).reason).toBe(
    'Turn it over the right edge, up to 180°: the rear cable has 38 mm of slack.',
  );
  expect(say({ lift: free, fold: { ...base.fold!, unplugFirst: true } }).reason).toMatch(
    /unplug the rear cable before it turns/,
  );
  expect(say({ lift: free, fold: null }).reason).toMatch(/^No cable crosses/);
});

it('reads lengths and temperatures in the units of the shop', () => {
  const f = say({ verdict: 'reheat', arcUsualC: 25, units: { temperature: 'F', length: 'in' } });
  expect(f.reason).toContain('77 °F');
});

it('speaks of the heater that is in use', () => {
  const air = { ...base, words: heaterWords({ kind: 'air' as const }) };
  expect(liftCall({ ...air, verdict: 'reheat', arcUsualC: 24 })).toMatchObject({
    sentence: 'Air on again: the bottom edge has gripped, to 66 °C.',
    reason: expect.stringContaining('of hot air.'),
  });
  expect(liftCall({ ...air, onPlate: true }).sentence).toBe('The air is on it.');
  expect(liftCall({ ...base, words: heaterWords({ kind: 'mat' }), onPlate: true }).sentence).toBe('It is on the mat.');
});
