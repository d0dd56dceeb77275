import { coarseModel } from '../../../test-support/modes';
import { faceView } from '@/core/device/faceView';
import { bondPerimeter } from '@/core/device/perimeter';
import { arcCells } from '@/core/heat/arcs';
import { demoJobs, demoSettings } from '@/demo/shop';
import type { NewEvent } from '@/model/event';
import { foldJob, type JobState } from '@/model/fold';
import { shippedDevices } from '@/model/shippedDevices';
import { liftCase, liftState, lookedAtS, thermalJob } from './thermalJob';
import { jobWay } from '@/model/jobWay';
import { presentJob } from './present';
import { batteryMarks, everyPart, partStopC, watchMarks } from './watchMarks';
import { edgeName, placeName } from '../../words/placeNames';

const t0 = Date.UTC(2026, 3, 14, 13);
const jobs = demoJobs(t0).map((l) => foldJob(l)!);
const [heating, save] = jobs as [JobState, JobState];
const { device, model } = coarseModel();
const path = bondPerimeter(device, device.bonds[0]!);
const arcs = arcCells(model, path.lengthMm);

const withEvents = (...more: NewEvent[]): JobState =>
  foldJob([
    ...demoJobs(t0)[0]!,
    ...more.map((e, i) => ({
      ...e,
      v: 1 as const,
      id: `x${i}`,
      jobId: 'demo-0142',
      writer: 'w',
      seq: 900 + i,
      at: t0 + i,
      loggedAt: t0 + i,
      by: 'x',
    })),
  ])!;

it('a page that looks every 20 s never looks at the time before the device came off', () => {
  const off = { atS: 140.6, setC: null, preheated: true };
  const thermal = { switches: [{ atS: 0, setC: 110, preheated: true }, off] };
  expect(lookedAtS(thermal, 139.9, 20)).toBe(120);
  expect(lookedAtS(thermal, 141, 20)).toBe(140.6);
  expect(lookedAtS(thermal, 161, 20)).toBe(160);
  expect(lookedAtS({ switches: [] }, 19, 20)).toBe(0);
});

it('marks and limits come from the parts that the device has', () => {
  expect(batteryMarks(device)).toEqual({ cautionC: 60, stopC: 80 });
  expect(partStopC({ device, route: null })).toEqual({ camera: 85, display: 85 });
  const bare = { ...device, parts: device.parts.filter((p) => p.kind === 'rim') };
  expect(batteryMarks(bare).stopC).toBeGreaterThan(500);
  expect(partStopC({ device: bare, route: null })).toEqual({ camera: undefined, display: undefined });
  expect(everyPart(device).has('coil')).toBe(true);
});

it('a display that is replaced need not be spared, one of two that stays is', () => {
  const route = { ...heating.route!, work: 'displayAlone' as const };
  const alone = { ...heating, route };
  expect(heating.device.parts.filter((p) => p.kind === 'display')).toHaveLength(1);
  expect(watchMarks(heating).display).toBeDefined();
  expect(watchMarks(alone).display).toBeUndefined();
  // the battery and the cover are spared all the same
  expect(watchMarks(alone).battery).toEqual(watchMarks(heating).battery);
  expect(partStopC(alone)).toEqual({ camera: 85, display: undefined });
  const fold = shippedDevices.find((d) => d.id === 'fold78')!;
  expect(partStopC({ device: fold, route }).display).toBe(85);
});

it('with the front off its display is no longer in the device, until the front is bonded again', () => {
  const both = shippedDevices.find((d) => d.id === 'both65')!;
  const [front, back] = [both.bonds[0]!.id, both.bonds[1]!.id];
  const opened = demoJobs(t0)[0]!.find((e) => e.type === 'opened')!;
  const at = (stage: 'lift' | 'bond', n: number) => ({
    v: 1 as const,
    id: `s${n}`,
    jobId: opened.jobId,
    writer: 'w',
    seq: 900 + n,
    at: t0 + n,
    loggedAt: t0 + n,
    by: 'x',
    type: 'stage' as const,
    stage,
    to: 'done' as const,
    joint: front,
  });
  const job = (...more: ReturnType<typeof at>[]) =>
    presentJob(
      foldJob(
        [
          { ...opened, device: both, bondId: front, steps: jobWay(both, [front, back]), works: undefined } as never,
          ...more,
        ],
        back,
      )!,
    );
  const displays = (j: JobState) => j.device.parts.filter((p) => p.kind === 'display').length;
  expect(displays(job())).toBe(1);
  expect(displays(job(at('lift', 1)))).toBe(0);
  expect(job(at('lift', 1)).device.out).toHaveLength(1);
  expect(displays(job(at('lift', 1), at('bond', 2)))).toBe(1);
});

it('the answer about chips becomes the flaw; no answer counts as unsure', () => {
  expect(liftCase(heating, demoSettings)).toMatchObject({ flawUm: 30, keepCover: false });
  expect(liftCase({ ...heating, findings: {} }, demoSettings).flawUm).toBe(60);
  expect(
    liftCase({ ...heating, findings: { chip: { answer: 'yes', edges: [], note: '' } } }, demoSettings).flawUm,
  ).toBe(100);
  expect(liftCase(save, demoSettings).keepCover).toBe(true);
});

it('a run starts with the first heat, with its instants as they were corrected', () => {
  const job = withEvents(
    { type: 'heatOff', reason: 'ready', easyForS: 1, gripsInS: 2 },
    { type: 'amend', eventId: 'x0', movedTo: t0 + 45_000 },
    { type: 'ambient', tempC: 17 },
  );
  const run = thermalJob(job, demoSettings, model, t0 + 99);
  expect(run.t0).toBe(t0);
  expect(run.switches.map((s) => [s.atS, s.setC])).toEqual([
    [0, 110],
    [45, null],
  ]);
  expect(run.ambientC).toBe(17);
  expect(run.run.arcC(0, arcs[0]!).mean).toBeCloseTo(17, 6);
  // a job that was never heated starts when it is looked at
  expect(thermalJob(save, demoSettings, model, t0 + 99)).toMatchObject({ t0: t0 + 99, switches: [] });
});

it('what is left to cut shrinks with every free edge and keeps the order of the rest', () => {
  const all = liftState(heating, demoSettings, path, arcs);
  const some = liftState(withEvents({ type: 'edge', edge: 'bottom', free: true }), demoSettings, path, arcs);
  expect(all.order).toHaveLength(24);
  expect(some.order.length).toBeLessThan(24);
  expect(some.nextEdge).not.toBe('bottom');
  expect(all.order.filter((i) => some.order.includes(i))).toEqual(some.order);
  const none = liftState(
    withEvents(
      ...(['bottom', 'left', 'right', 'top'] as const).map((edge): NewEvent => ({ type: 'edge', edge, free: true })),
    ),
    demoSettings,
    path,
    arcs,
  );
  expect(none).toMatchObject({ order: [], nextEdge: null });
});

it('the pick in force is the one asked about, else the planned one', () => {
  expect(liftState(heating, demoSettings, path, arcs).pickMm).toBe(0.5);
  expect(liftState(heating, demoSettings, path, arcs, 0.5)).toMatchObject({ pickMm: 0.5, easyC: 62, workC: 45 });
  // the shop's accepted chance of breaking counts for covers that are to be saved
  const strict = liftState(save, { ...demoSettings, breakLimit: 0.001 }, path, arcs, 0.5).safeC!;
  expect(strict).toBeGreaterThan(liftState(save, demoSettings, path, arcs, 0.5).safeC!);
});

it('names places in the words of the bench', () => {
  expect(placeName(path, 0)).toBe('bottom edge, middle');
  expect(placeName(path, path.locate([1, 20]))).toBe('left edge, upper');
  expect(placeName(path, path.locate([71, 130]))).toBe('right edge, lower');
  const corners = ['lower left corner', 'upper left corner', 'upper right corner', 'lower right corner'];
  const tips = [
    [0, 150],
    [0, 0],
    [72, 0],
    [72, 150],
  ] as const;
  expect(tips.map((p) => placeName(path, path.locate(p)))).toEqual(corners);
  expect(edgeName('top')).toBe('top edge');
});

it.each(shippedDevices.map((d) => [d.name, faceView(d, d.bonds[0]!)] as const))(
  '%s: every arc of the ring belongs to exactly one edge',
  (_, { device: d, bond }) => {
    const p = bondPerimeter(d, bond);
    const fake = Array.from({ length: 24 }, (_x, i) => ({
      fromMm: ((i - 0.5) * p.lengthMm) / 24,
      toMm: ((i + 0.5) * p.lengthMm) / 24,
      cells: new Int32Array(0),
    }));
    const state = liftState({ ...save, device: d, bond, freeEdges: new Set() }, demoSettings, p, fake);
    expect([...state.order].sort((a, b) => a - b)).toEqual(fake.map((_a, i) => i));
    // the camera edge comes last; a front has no camera to wait for
    if (bond.onFace !== 'front' && d.parts.some((p) => p.kind === 'camera'))
      expect(state.steps.at(-1)!.edge).toBe('top');
  },
);
