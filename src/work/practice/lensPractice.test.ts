import { lensHeat } from '@/core/lens/lensHeat';
import { PracticeBench } from '@/core/practice/bench';
import type { BenchState, HandAction, PracticeCase } from '@/core/practice/happened';
import { workLens } from '@/core/practice/lensHands';
import { styles } from '@/core/practice/manner';
import { drawTruth, type Truth } from '@/core/practice/truth';
import { defaultSettings } from '@/model/defaultSettings';
import type { JobEvent } from '@/model/event';
import { foldJob } from '@/model/fold';
import { shippedDevices } from '@/model/shippedDevices';
import { plainWay } from '@/model/way';
import { lensWork } from '@/work/lift/lensCovers';
import { lensAirC, lensPlan } from '@/work/lift/lensJob';
import { endingOf, readyForLens, truthOf } from './exercises';
import { lensCalls, lensPracticeCase } from './lensPractice';
import { deviceOf, pageOf, exercises } from './exerciseTable';

const t0 = Date.UTC(2026, 3, 14, 13);
const bondId = exercises.lens.bondId!;
const device = shippedDevices.find((d) => d.id === deviceOf('lens'))!;
const job = foldJob(
  [
    { type: 'opened', label: 'P', device, bondId, promiseAt: null, customerMark: '', steps: plainWay(bondId) },
    ...readyForLens(bondId),
  ].map((e, i) => ({
    ...{ ...e, v: 1, id: `p${i}`, jobId: 'p', writer: 'p', seq: i, at: t0, loggedAt: t0, by: 'p' },
  })) as unknown as JobEvent[],
)!;
const about: PracticeCase = lensPracticeCase(job, defaultSettings)!;
const calls = lensCalls(job, defaultSettings)!;
const plain: Truth = {
  ...{ seed: 0, heaterZ: [0, 0], ambientK: 0, lnScale: 0, chips: [], nerve: 1e9, partsMm: 0, crackTurn: 0 },
};
const bench = (over: Partial<Truth> = {}) => new PracticeBench(about, { ...plain, ...over });
const does = (b: PracticeBench, s: BenchState, ...list: (readonly [HandAction, number])[]) =>
  list.reduce((at, [a, dtS]) => b.step(at, a, dtS).state, s);
const air: HandAction = { kind: 'heat', heater: calls.heater, use: {}, setC: calls.setC, preheated: true };
const off: HandAction = { kind: 'off' };

it('it begins where a lens cover is lifted', () => {
  expect(pageOf('lens')).toBe('lift');
  expect(job.stage).toBe('lift');
  expect(lensWork(job).next!.bond.id).toBe(bondId);
});

it('tape and camera are as the forecast of its page has them: ready when it says, gripped when it says', () => {
  const lens = lensWork(job).next!;
  const plan = lensPlan(job, defaultSettings, lens, null, lensAirC.value);
  const heat = plan.heat!;
  const b = bench();
  const ready = heat.readyS!.mean;
  const warm = does(b, b.start(), [air, ready]);
  expect(b.lineC(warm, 0, ready)).toBeCloseTo(plan.targetC!, 0);
  expect(b.partC(warm, 'camera', ready)).toBeCloseTo(heat.cameraC.mean, 0);
  const cool = does(b, warm, [off, heat.workS - 0.5]);
  expect(b.lineC(cool, 0, cool.tS)).toBeGreaterThan(plan.workC! - 0.2);
  expect(b.lineC(cool, 0, cool.tS + 2)).toBeLessThan(plan.workC!);
});

it('more in the module takes longer, as the weak end of the forecast has it', () => {
  const lens = lensWork(job).next!;
  const { targetC, workC } = lensPlan(job, defaultSettings, lens, null, lensAirC.value);
  const slow = bench({ crackTurn: 1 });
  const quick = bench({ crackTurn: -1 });
  const at = does(slow, slow.start(), [air, 20]);
  expect(slow.lineC(at, 0, 20)).toBeLessThan(quick.lineC(does(quick, quick.start(), [air, 20]), 0, 20));
  const { readyS } = lensHeat({
    ...{ cover: lens.face.cover, bond: lens.bond, heater: about.lens!.heater, setC: calls.setC },
    ...{ standoffMm: about.lens!.heater.standoffMm, ambientC: about.ambientC, targetC: targetC!, workC: workC! },
    cameraStopC: 85,
  });
  expect(slow.lineC(does(slow, slow.start(), [air, readyS!.high]), 0, readyS!.high)).toBeGreaterThan(targetC! - 1);
});

it('the blade goes in anywhere without a cup, not while the air is on, and too deep it hits the camera', () => {
  const b = bench();
  const push = (depthMm: number): HandAction => ({ kind: 'push', sMm: 0, depthMm, speedMmS: 1, pickMm: calls.bladeMm });
  expect(b.step(does(b, b.start(), [air, 10]), push(2), 1).happened[0]).toMatchObject({
    what: 'refused',
    why: 'onHeat',
  });
  const warm = does(b, b.start(), [air, calls.readyS], [off, 0]);
  const { state } = b.step(warm, push(calls.depthMm), 5);
  expect(state.cut.freeMm).toBeCloseTo(5, 6);
  expect(b.step(warm, push(6.5), 1).happened).toMatchObject([{ what: 'hurt', part: 'lens1View', why: 'camera' }]);
  expect(endingOf('off', b.step(warm, push(6.5), 1).state, { fromMm: 0, toMm: 40 })).toBe('hurt');
  // cold it holds
  expect(b.step(b.start(), push(calls.depthMm), 5).happened).toMatchObject([{ what: 'stuck' }]);
});

it('air that is much too hot takes the camera past its limit', () => {
  const b = bench();
  const { state, happened } = b.step(b.start(), { ...air, setC: 350 }, 120);
  expect(happened.some((h) => h.what === 'partHot' && h.part === 'camera')).toBe(true);
  expect(endingOf('off', state, { fromMm: 0, toMm: 40 })).toBe('tooHot');
});

it('by the calls it comes off; reckless hands hit the camera (20 seeds each); the same seed, the same end', () => {
  const end = (style: (typeof styles)[number], seed: number) => {
    const truth = truthOf('lens', seed, about.path, 0.3);
    const w = () => workLens({ bench: new PracticeBench(about, truth), ...calls, style, seed });
    if (seed === 1) expect(w().state.tS).toBe(w().state.tS);
    return endingOf('off', w().state, { fromMm: 0, toMm: about.path.lengthMm });
  };
  const count = (style: (typeof styles)[number], what: string) =>
    Array.from({ length: 20 }, (_, i) => end(style, i + 1)).filter((e) => e === what).length;
  expect(count('guided', 'passed')).toBeGreaterThanOrEqual(19);
  expect(count('reckless', 'hurt')).toBeGreaterThanOrEqual(15);
});

it('whatever else its seed says, a lens cover that is cracked already is not broken by it', () => {
  expect(truthOf('lens', 7, about.path, 0.3)).toMatchObject({ chips: [], nerve: 1e9 });
  expect(drawTruth(7, about.path, 0.3).nerve).toBeLessThan(100);
});
