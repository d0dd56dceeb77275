/**
 * What people of the trade report from their benches, as bands. Common practice, no published source. Every row goes through
 * the function whose result the screen shows, with the shipped settings and the shipped heat models.
 */
import { readFileSync } from 'node:fs';
import path from 'node:path';

import { alcoholCautions, alcoholStops } from '@/core/alcohol/interlock';
import { cureClocks, steady } from '@/core/cure/laws';
import { unlocksAtS } from '@/core/cure/policy';
import { adhesiveRecord } from '@/core/adhesives';
import { checkState } from '@/stages/check/checkCall';
import { firstGap } from '@/core/lift/firstGap';
import { keepOuts } from '@/core/lift/depth';
import { softened } from '@/core/lift/fractureEnergy';
import { liftThresholds, wedgeVerdict } from '@/core/lift/verdict';
import { ReducedModel } from '@/core/heat/reduced';
import { coldAnswer, waysCall, waysInput, waysOf } from '@/stages/heat/ways';
import { heatCall } from '@/stages/heat/heatCall';
import { tryWay, type WayResult } from '@/core/heat/ways';
import { routeMinutes } from '@/core/intake/route';
import { foldJob, type JobState } from '@/model/fold';
import type { JobEvent, NewEvent } from '@/model/event';
import { decodeModes } from '@/model/modesFile';
import { defaultSettings } from '@/model/defaultSettings';
import { shippedDevices } from '@/model/shippedDevices';
import digests from '@/store/shippedModes.json';
import { thermalKey } from '@/workers/thermalClient';
import { eyeWords } from '@/words/eyeWords';
import { flushOf } from '@/work/check/flushJob';
import { heatAnswer } from '@/work/heat/heatForecast';
import { airUse, firstPlan, refuses, usualOf, type HeatPlanDraft } from '@/work/heat/heatPlan';
import { heaterWords } from '@/words/heaterWords';
import { presentJob } from '@/work/heat/present';
import { liftCase } from '@/work/heat/thermalJob';
import { everyPart, watchMarks } from '@/work/heat/watchMarks';

const t0 = Date.UTC(2026, 3, 14, 9);
const settings = defaultSettings;
const models = new Map<string, ReducedModel>();
function modelOf(job: JobState): ReducedModel {
  const here = presentJob(job);
  const { digest } = thermalKey(here.device, here.bond);
  if (!Object.values(digests as Record<string, string>).includes(digest)) throw new Error(`no shipped model ${digest}`);
  let m = models.get(digest);
  if (!m) {
    const file = path.join(__dirname, '..', '..', 'public', 'modes', `${digest}.json`);
    m = new ReducedModel(decodeModes(readFileSync(file, 'utf8'), digest)!);
    models.set(digest, m);
  }
  return m;
}
let seq = 0;
function jobOf(id: string, ...events: NewEvent[]): JobState {
  const device = shippedDevices.find((d) => d.id === id)!;
  const all: NewEvent[] = [
    { type: 'opened', label: 'T', device, bondId: device.bonds[0]!.id, promiseAt: null, customerMark: '' },
    { type: 'finding', kind: 'chip', answer: 'no' },
    { type: 'finding', kind: 'cellSwollen', answer: 'no' },
    ...events,
  ];
  return foldJob(
    all.map((e, i): JobEvent => ({
      ...e,
      v: 1,
      id: `e${seq++}`,
      jobId: 'ledger',
      writer: 'w',
      seq: i,
      at: t0,
      loggedAt: t0,
      by: 'x',
    })),
  )!;
}
const cracked: NewEvent = { type: 'finding', kind: 'crack', answer: 'yes', edges: ['bottom'] };
const kept: NewEvent = { type: 'route', keepCover: true };
const bare = (id: string): NewEvent[] =>
  shippedDevices
    .find((d) => d.id === id)!
    .parts.filter((p) => p.removable)
    .map((p) => ({ type: 'partState', partId: p.id, to: 'out' }) as NewEvent);

const heaters = { plate: settings.plate, ...Object.fromEntries(settings.heaters.map((h) => [h.id, h])) };
/** What the Heat page shows for a heater at a setpoint, in seconds from laying it on. */
function shown(job: JobState, heater: string, over: Partial<HeatPlanDraft> = {}) {
  const h = heaters[heater as keyof typeof heaters]!;
  const plan: HeatPlanDraft = {
    ...firstPlan(presentJob(job), settings),
    heater,
    use: {},
    setC: usualOf(h),
    preheated: h.kind !== 'mat',
    ...over,
  };
  const a = heatAnswer(job, settings, modelOf(job), t0, plan)!;
  return { ...a, f: a.forecast, o: a.forecast.opening, plan };
}
const strip = (job: JobState) => {
  const a = heatAnswer(job, settings, modelOf(job), t0)!;
  return airUse(
    'strip',
    job,
    a.lift.steps.find((s) => s.edge === a.lift.nextEdge),
    a.thermal.path.lengthMm,
  );
};
const within = (v: number | null | undefined, [low, high]: readonly [number, number]) => {
  expect(v).not.toBeNull();
  expect(v!).toBeGreaterThanOrEqual(low);
  expect(v!).toBeLessThanOrEqual(high);
};
const rings = ['ring54', 'ring61'] as const;
const worth: [string, NewEvent][] = [
  ['kept', kept],
  ['written off', cracked],
];

describe('heat (common practice, no published source)', () => {
  for (const id of rings)
    for (const [name, e] of worth) {
      it(`T01 ${id}, ${name}: plate at 110 °C works after about a minute, easy after about two`, () => {
        const { f } = shown(jobOf(id, e), 'plate', { setC: 110 });
        within(f.tryFromS?.mean, [45, 100]);
        within(f.readyS?.mean, [90, 170]);
        within(f.readyS?.high, [0, 230]);
        expect(f.over).toEqual([]);
      });
      it(`T02 ${id}, ${name}: at 100 °C one to two minutes and a hard pull, or three and easy`, () => {
        const { f } = shown(jobOf(id, e), 'plate', { setC: 100 });
        within(f.tryFromS?.mean, [50, 130]);
        within(f.readyS?.mean, [120, 240]);
        expect(f.over).toEqual([]);
      });
    }
  it.each(rings)('T03 %s: a written-off cover is heated about as long as one that is to be saved', (id) => {
    const off = shown(jobOf(id, cracked), 'plate', { setC: 110 });
    const save = shown(jobOf(id, kept), 'plate', { setC: 110 });
    within(off.f.readyS!.mean / save.f.readyS!.mean, [0.6, 1.05]);
    within(off.lift.easyC, [55, 75]);
  });
  it.each(rings)('T04 %s: mat from cold, about ten minutes', (id) => {
    const { f } = shown(jobOf(id, cracked), 'mat');
    within(f.readyS?.mean, [420, 800]);
    expect(f.over).toEqual([]);
  });
  it('T05: a mat at 60 °C holds a ring workable, never easy', () => {
    const { f } = shown(jobOf('ring61', cracked), 'mat', { setC: 60 });
    within(f.run.arcC(1200, f.first).mean, [44, 57]);
    expect(f.readyS).toBeNull();
    expect(f.over).toEqual([]);
  });
  it.each(rings)('T06 %s: gun at 200 °C on the strip that is cut next, 40 to 60 s, up to a minute and a half', (id) => {
    const job = jobOf(id, cracked);
    const { f } = shown(job, 'gun', { setC: 200, use: strip(job) });
    within(f.readyS?.mean, [35, 100]);
    expect(f.over).toEqual([]);
  });
  it('T07: when it grips again under the gun about 20 s are enough', () => {
    const cold = jobOf('ring61', cracked);
    const use = strip(cold);
    const first = shown(cold, 'gun', { setC: 200, use }).f;
    const offS = first.readyS!.mean;
    const gripsS = first.opening.gripsForS!.mean;
    const at = (s: number) => Math.round(t0 + s * 1e3);
    const job = jobOf('ring61', cracked);
    // the same heat as it happened, and a look when it has gripped
    job.heat.push(
      { at: at(0), setC: 200, preheated: true, eventId: 'a', readyInS: null, gripsInS: null, heater: 'gun', use },
      { at: at(offS), setC: null, preheated: false, eventId: 'b', readyInS: null, gripsInS: null },
    );
    const plan = { heater: 'gun', use, setC: 200, preheated: true, pickMm: undefined };
    const again = heatAnswer(job, settings, modelOf(job), at(offS + gripsS), plan)!.forecast;
    within(again.readyS!.mean - again.heatStartS, [8, 35]);
  });
  it.each(rings)('T08 %s: a hair dryer does it and takes longer than a gun', (id) => {
    const job = jobOf(id, cracked);
    const dryer = shown(job, 'dryer').f;
    within(dryer.tryFromS?.mean, [60, 300]);
    within(dryer.readyS?.mean, [100, 600]);
    expect(dryer.readyS!.mean).toBeGreaterThan(shown(job, 'gun').f.readyS!.mean);
  });
  it.each(rings)('T09 %s: left alone it grips again within a few minutes', (id) => {
    within(shown(jobOf(id, cracked), 'plate', { setC: 110 }).o.gripsForS?.mean, [60, 480]);
  });
});

describe('cold, plastic and full bond (common practice, no published source)', () => {
  it('T10: a cold ring-bonded glass cover is not pried', () => {
    const job = jobOf('ring61', kept);
    expect(['reheat', 'stop']).toContain(wedgeVerdict({ ...liftCase(job, settings), pickMm: 0.5 }, 22).verdict);
  });
  it.each(['clip55', 'plastic60'])('T11 %s: can be pried cold, round from the port', (id) => {
    for (const e of [kept, cracked])
      expect(wedgeVerdict({ ...liftCase(jobOf(id, e), settings), pickMm: 0.5 }, 22).verdict).not.toBe('stop');
  });
  it('T11: the page of ways and the heat call offer the cold way for plastic', () => {
    const job = jobOf('plastic60', cracked);
    const { f, lift } = shown(job, 'plate', { setC: 110 });
    const text = heatCall({
      f,
      lift,
      nowS: 0,
      on: false,
      swollen: false,
      hotC: {},
      marks: watchMarks(job),
      units: settings,
      words: heaterWords(settings.plate),
      plastic: true,
    });
    expect(`${text.sentence} ${text.reason}`).toMatch(/pry it cold/i);
    const results: WayResult[] = waysOf(job, settings, undefined, 440).map((l) =>
      tryWay(modelOf(job), l.way, waysInput(job, shown(job, 'plate').thermal, lift, 0, l.use)),
    );
    const call = waysCall({
      listed: waysOf(job, settings, undefined, 440),
      results,
      cautionC: 60,
      pickMm: 0.5,
      units: settings,
      pieces: false,
      plastic: true,
    });
    expect(`${call.sentence} ${call.reason}`).toMatch(/cold/);
  });
  it('T12: glass glued all over comes off piece by piece; the page of ways says so', () => {
    const job = jobOf('full64', cracked);
    const { thermal, lift } = shown(job, 'gun', { setC: 200 });
    const listed = waysOf(job, settings, lift.steps[0], thermal.path.lengthMm);
    const results = listed.map((l) => tryWay(modelOf(job), l.way, waysInput(job, thermal, lift, 0, l.use)));
    const call = waysCall({
      listed,
      results,
      cautionC: 60,
      pickMm: 0.5,
      units: settings,
      pieces: true,
      plastic: false,
    });
    expect(`${call.sentence} ${call.reason}`).toMatch(/piece by piece/i);
    expect(`${call.sentence} ${call.reason}`).not.toMatch(/no (way|heat|heater)[^.]* opens it/i);
  });
  it('T13: bare, it slides off on a plate of 235 °C within two to five minutes; the moment is short', () => {
    const job = jobOf('full64', cracked, ...bare('full64'));
    const { f, o } = shown(job, 'plate', { setC: 235 });
    within(f.readyS?.mean, [40, 300]);
    within(o.easyForS?.mean, [10, 70]);
  });
  it('T13: from 235 to 150 °C takes some 52 s without the air of a display that is out (independent check)', () => {
    const job = jobOf('full64', cracked, ...bare('full64'));
    const { f } = shown(job, 'plate', { setC: 235 });
    const off = f.run.then({ atS: 1200, setC: null, preheated: false });
    let s = 0;
    while (off.arcC(1200 + s, f.first).mean > 150) s++;
    within(s, [40, 62]);
  });
  it('T14: an assembled device never goes on such a plate', () => {
    expect(refuses(settings.plate, 235, jobOf('full64', cracked))).not.toBeNull();
    expect(refuses(settings.plate, 235, presentJob(jobOf('full64', cracked, ...bare('full64'))))).toBeNull();
  });
  it('T15: carbonic ice for 25 minutes, the edges do not let go', () => {
    const { thermal } = shown(jobOf('full64', cracked), 'plate');
    const cold = coldAnswer(thermal);
    expect(cold.releasedAtS === null || cold.releasedAtS > 1500).toBe(true);
  });
  it('T16: a plastic cover warps on the plate’s usual 110 °C: only the cover is over', () => {
    expect(shown(jobOf('plastic60', cracked), 'plate', { setC: 110 }).f.over).toEqual(['cover']);
  });
});

describe('cure, alcohol, hands (common practice, no published source)', () => {
  const usual = (s: number) => s;
  it('T17: bead of 1.4 mm at 22 °C: clamps 8 to 60 min, on after 6 to 24 h, full after 18 to 48 h', () => {
    const c = cureClocks('solvent', 1.4, steady(22));
    within(usual(c.clampOff.mean) / 60, [8, 60]);
    within(c.build.mean / 3600, [6, 24]);
    within(c.full.mean / 3600, [18, 48]);
    // and that is what unlocks, as the shop is shipped
    expect(unlocksAtS(c.clampOff, 'clampOff', settings.cureBy)).toBe(c.clampOff.mean);
    expect(unlocksAtS(c.sealTest, 'sealTest', settings.cureBy)).toBe(c.sealTest.high);
  });
  it('T18: tape at 22 °C: clamps some minutes to half an hour, handed over the same hour, full after one to three days', () => {
    const c = cureClocks('tape', 2, steady(22));
    within(c.clampOff.mean / 60, [2, 40]);
    within(c.handOver.mean / 60, [5, 75]);
    within(c.full.mean / 3600, [20, 96]);
  });
  it('T20: a few drops into a warm device off its heater help; a plate elsewhere is no stop', () => {
    const around = {
      heatOn: null,
      airNear: [],
      contactNear: ['J-2'],
      faceC: 50,
      belowC: 60,
      cameraMm: Infinity,
      masked: false,
      ventilated: false,
      mostMl: 0.19,
      ml: 0.03,
      recentMl: 0,
    };
    expect(alcoholStops(around)).toEqual([]);
    expect(alcoholCautions(around)).toEqual(['contactNear']);
    const foam = adhesiveRecord('foamRing');
    const c = { ...liftCase(jobOf('ring61', cracked), settings), pickMm: 0.5 };
    const after = (s: number) => ({
      ...c,
      adhesive: {
        ...foam,
        debond: { ...foam.debond, scale: { ...foam.debond.scale, value: softened(foam.debond, s) } },
      },
    });
    for (const s of [30, 60, 300]) within(liftThresholds(c).easyC! - liftThresholds(after(s)).easyC!, [1, 25]);
    // through the log: a drop along the edge that is next, a minute ago
    const job = jobOf('ring61', cracked);
    const a = heatAnswer(job, settings, modelOf(job), t0)!;
    const span = a.lift.steps[0]!;
    const wet = jobOf('ring61', cracked, {
      type: 'alcohol',
      ml: 0.03,
      use: 'gap',
      stretch: { fromMm: span.fromMm, toMm: span.toMm },
      checks: { sourcesAway: true, ventilated: true, masked: true },
      tC: 40,
    });
    const b = heatAnswer(wet, settings, modelOf(wet), t0 + 60_000)!;
    within(a.lift.easyC! - b.lift.easyC!, [1, 25]);
  });
  it('T21: with the gun running, or onto a face over 60 °C: no', () => {
    const n = alcoholStops({
      heatOn: null,
      airNear: ['gun'],
      contactNear: [],
      faceC: 75,
      belowC: 60,
      cameraMm: Infinity,
      masked: false,
      ventilated: true,
      mostMl: 0.19,
      ml: 0.03,
      recentMl: 0,
    }).length;
    within(n, [1, 5]);
  });
  it('T22: "stuck again" closes the stretch', () => {
    const open = jobOf('ring61', cracked, { type: 'edge', edge: 'bottom', free: true });
    expect(open.freeEdges.has('bottom')).toBe(true);
    const a = heatAnswer(open, settings, modelOf(open), t0)!;
    const s = a.thermal.path.edgeSpan('bottom');
    const stuck = jobOf(
      'ring61',
      cracked,
      { type: 'edge', edge: 'bottom', free: true },
      { type: 'cut', fromMm: s.fromMm, toMm: s.toMm, free: false, stuck: true },
    );
    expect(stuck.freeEdges.has('bottom')).toBe(false);
  });
  it.each(['ringGlass'] as const)('T23 %s: glass only takes 25 to 120 minutes of hands', (construction) => {
    within(routeMinutes('glassOnly', { construction, pieces: 1 }, []), [25, 120]);
  });
  it('T24: by eye and finger is an answer everywhere a gauge is', () => {
    const kinds = { gapMm: 'gap', stepMm: 'step', seatMm: 'seat' } as const;
    for (const of of Object.values(kinds)) expect(eyeWords[of].fine).toBeTruthy();
    const seen = (of: 'gap' | 'step' | 'seat') => jobOf('ring61', cracked, { type: 'eye', of, fine: true, spots: [] });
    expect(checkState(jobOf('ring61', cracked)).open[0]).toBe('not judged whether it is flush');
    expect(checkState(seen('step')).open.some((o) => o.includes('flush') || o.includes('steps'))).toBe(false);
    expect(flushOf(seen('step')).eye).toEqual({ action: 'accept', edge: null });
    expect(seen('gap').eyes.gap?.fine).toBe(true);
    expect(seen('seat').eyes.seat?.fine).toBe(true);
  });
  it('T25: first gap by cup on whole glass, by a thin blade at the bottom on shattered glass', () => {
    const d = shippedDevices.find((x) => x.id === 'ring61')!;
    const outs = keepOuts(d, d.bonds[0]!, everyPart(d));
    expect(firstGap(d, d.bonds[0]!, outs, 'bottom', [], []).cup).not.toBeNull();
    const shattered = [0, 1, 2, 3, 4].map((k): [number, number][] => [
      [0, 20 + 25 * k],
      [72, 40 + 25 * k],
    ]);
    const down = [1, 2, 3].map((k): [number, number][] => [
      [18 * k, 0],
      [18 * k, 150],
    ]);
    const gap = firstGap(d, d.bonds[0]!, outs, 'bottom', [...shattered, ...down], []);
    expect(gap.cup).toBeNull();
    expect(gap.blade.edge).toBe('bottom');
  });
});

describe('one answer (law 25)', () => {
  it.each(shippedDevices.filter((d) => (digests as Record<string, string>)[d.id]).map((d) => d.id))(
    '%s: Heat and Ways say the same for every heater',
    (id) => {
      const job = presentJob(jobOf(id, cracked));
      const base = heatAnswer(job, settings, modelOf(job), t0)!;
      const step = base.lift.steps.find((s) => s.edge === base.lift.nextEdge);
      for (const l of waysOf(job, settings, step, base.thermal.path.lengthMm)) {
        if (l.way.setC === null) continue;
        const way = tryWay(modelOf(job), l.way, waysInput(job, base.thermal, base.lift, 0, l.use));
        const heat = heatAnswer(job, settings, modelOf(job), t0, {
          heater: l.way.heater.id,
          use: l.use,
          setC: l.way.setC,
          pickMm: undefined,
          preheated: l.way.preheated,
        })!.forecast;
        expect(heat.readyS).toEqual(way.readyS);
        expect(heat.tryFromS).toEqual(way.tryFromS);
        expect(heat.over).toEqual(way.over);
        expect(heat.parts.battery?.peakC ?? null).toEqual(way.battery?.peakC ?? null);
      }
    },
  );
});
