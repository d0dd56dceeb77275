import { demoJobs, demoSettings } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { presentJob } from '@/work/heat/present';
import { heatSwitches, heatUse } from '@/work/heat/heating';
import { liftState } from '@/work/heat/thermalJob';
import { bondPerimeter } from '@/core/device/perimeter';
import { defaultDryer, defaultGun, defaultMat, defaultPlate } from '@/core/heat/heater';
import { airUse, airWayOf, firstPlan, refuses, unitDoubt, usualOf, withHeater, withinUse } from '@/work/heat/heatPlan';

const t0 = Date.UTC(2026, 3, 14, 13);
const job = foldJob(demoJobs(t0)[0]!)!;
const path = bondPerimeter(job.device, job.bond);
const arcs = Array.from({ length: 24 }, (_, i) => ({
  fromMm: ((i - 0.5) * path.lengthMm) / 24,
  toMm: ((i + 0.5) * path.lengthMm) / 24,
  cells: new Int32Array(1),
}));
const lift = liftState(job, demoSettings, path, arcs);
const step = lift.steps[0]!;

it.each([
  [230, 'C', { unit: 'F', setC: 110 }],
  [110, 'F', { unit: 'C', setC: 110 }],
  [110, 'C', null],
  [230, 'F', null],
  [900, 'C', null],
] as const)('a dial read in the wrong unit: %d °%s', (typed, unit, doubt) => {
  // a plate under an assembled device goes to 160 °C
  expect(unitDoubt(typed, unit, { ...defaultPlate, maxSetC: 160 })).toEqual(doubt);
});

it('a very hot plate is refused while a part with a limit is inside, and allowed for a bare housing', () => {
  const hot = { ...defaultPlate, maxSetC: 300 };
  expect(refuses(hot, 250, job)).toEqual({ inside: expect.arrayContaining(['battery']), maxC: 160 });
  expect(refuses(hot, 150, job)).toBeNull();
  // air is hot at the nozzle, not at the device
  expect(refuses(defaultGun, 250, job)).toBeNull();
  const limited = job.device.parts.filter((p) => p.limitC);
  const allBut = (keep: number) => ({
    ...job,
    parts: Object.fromEntries(limited.slice(keep).map((p) => [p.id, 'out' as const])),
  });
  expect(refuses(hot, 250, presentJob(allBut(1)))!.inside).toContain(limited[0]!.name);
  expect(refuses(hot, 250, presentJob(allBut(0)))).toBeNull();
});

it('parts that are out are not there for heat and limits; nothing out: the very same job', () => {
  expect(presentJob(job)).toBe(job);
  const battery = job.device.parts.find((p) => p.kind === 'battery')!;
  const without = presentJob({ ...job, parts: { [battery.id]: 'out' } });
  expect(without.device.parts.some((p) => p.id === battery.id)).toBe(false);
  expect(presentJob({ ...job, parts: { [battery.id]: 'in' } }).device.parts).toHaveLength(job.device.parts.length);
});

it('another heater starts as it is usually set; hot air goes round with the cameras masked', () => {
  expect([defaultPlate, defaultMat, defaultGun, defaultDryer].map(usualOf)).toEqual([110, 95, 200, 120]);
  const plan = firstPlan({ ...job, plan: null }, demoSettings);
  expect(plan).toMatchObject({ heater: 'plate', setC: 110, use: {}, preheated: true });
  const gun = withHeater(plan, defaultGun, job, step, path.lengthMm);
  expect(gun).toMatchObject({ heater: 'gun', setC: 200, use: { masked: true, path: { kind: 'loop', insetMm: 2 } } });
  expect(withHeater(plan, defaultMat, job, step, path.lengthMm).preheated).toBe(false);
  for (const way of ['edge', 'outward', 'strip'] as const)
    expect(airWayOf(airUse(way, job, step, path.lengthMm))).toBe(way);
});

it('with one edge heated only its arcs are cut in this heat', () => {
  const use = airUse('strip', job, step, path.lengthMm);
  const part = withinUse(lift, use);
  expect(part.order.length).toBeGreaterThan(1);
  expect(part.order.length).toBeLessThan(12);
  part.order.forEach((i) => expect(path.point(((i + 1e-6) * path.lengthMm) / 24).edge).toBe(step.edge));
  expect(withinUse(lift, airUse('edge', job, step, path.lengthMm))).toBe(lift);
});

it('what a use means on this device: masks over cameras, contact that is lifted', () => {
  expect(heatUse(job.device, job.bond, undefined)).toMatchObject({ masks: [], lifted: [] });
  expect(heatUse(job.device, job.bond, { masked: true }).masks![0]!.factor).toBe(0.3);
  expect(heatUse(job.device, job.bond, { lies: 'over' }).lifted![0]!.factor).toBe(0);
  expect(heatUse(job.device, job.bond, { lies: 'bump' }).lifted![0]!.factor).toBe(0.5);
});

it('a mat that switches itself off goes on cooling under the device, until somebody takes it off', () => {
  const heat = (list: [number, number | null][]) => ({
    ...job,
    heat: list.map(([s, setC]) => ({
      at: t0 + s * 1e3,
      setC,
      preheated: false,
      heater: 'mat',
      eventId: String(s),
      readyInS: null,
      gripsInS: null,
    })),
  });
  const left = heatSwitches(heat([[0, 95]]), demoSettings, t0, 22);
  expect(left.map((x) => x.atS)).toEqual([0, 900]);
  expect(left[1]).toMatchObject({ setC: 22, fromC: 95, lagS: 600 });
  const taken = heatSwitches(
    heat([
      [0, 95],
      [400, null],
    ]),
    demoSettings,
    t0,
    22,
  );
  expect(taken.map((x) => [x.atS, x.setC])).toEqual([
    [0, 95],
    [400, null],
  ]);
});

it('air on one edge follows the edge that is next; a spot is no plan of the stage', () => {
  const strip = airUse('strip', job, step, path.lengthMm);
  const freed = {
    ...job,
    freeEdges: new Set([step.edge]),
    plan: { setC: 200, pickMm: 0.8, preheated: true, heater: 'gun', use: strip },
  };
  const next = liftState(freed, demoSettings, path, arcs);
  const use = firstPlan(freed, demoSettings).use;
  expect(use.path).not.toEqual(strip.path);
  expect(withinUse(next, use).order.length).toBeGreaterThan(0);
  withinUse(next, use).order.forEach((i) =>
    expect(path.point(((i + 1e-6) * path.lengthMm) / 24).edge).toBe(next.nextEdge),
  );
  // nothing freed: the same edge as was planned
  expect(firstPlan({ ...freed, freeEdges: new Set() }, demoSettings).use.path).toEqual(strip.path);
  const spot = { masked: true, path: { kind: 'spot' as const, at: [1, 2] as [number, number], radiusMm: 5 } };
  expect(firstPlan({ ...freed, plan: { ...freed.plan, use: spot } }, demoSettings).use).toEqual({ masked: true });
});
