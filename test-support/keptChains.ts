import { targetShot, tappedEdge } from '../src/core/camera/shot';
import { specks } from '../src/core/camera/specks';
import { paint } from '../src/core/camera/paintTarget';
import { bondPerimeter } from '../src/core/device/perimeter';
import { batteryGlueStack, cameraZones, toThermalStack } from '../src/core/device/thermalStack';
import { edgeLoop } from '../src/core/heat/airPath';
import { arcCells } from '../src/core/heat/arcs';
import { backPattern } from '../src/core/heat/backPattern';
import { calibrate, predictAt } from '../src/core/heat/calibrate';
import { coarseGridSize } from '../src/core/heat/coarse';
import { confirmRun } from '../src/core/heat/confirm';
import { exposure, fallsBelow, reached, readyAt } from '../src/core/heat/forecast';
import { gentlestGlue, warmGlue } from '../src/core/heat/glue';
import {
  defaultDryer,
  defaultGun,
  defaultMat,
  defaultNozzle,
  defaultPlate,
  jetOf,
  type Heater,
} from '../src/core/heat/heater';
import { buildModes, columnCenters } from '../src/core/heat/modes';
import { confirmRound } from '../src/core/heat/moving';
import { opening, worstWaiting } from '../src/core/heat/opening';
import { planRound, tryRound, type PathPlanInput } from '../src/core/heat/pathPlan';
import { ReducedModel } from '../src/core/heat/reduced';
import { hotOf, HeatRun } from '../src/core/heat/run';
import { spotCadence } from '../src/core/heat/spot';
import { gentlest, tryWay, type WaysInput } from '../src/core/heat/ways';
import { SimulatedBench } from '../src/core/instruments/simulatedBench';
import { PracticeBench } from '../src/core/practice/bench';
import type { HandAction } from '../src/core/practice/happened';
import { workRing } from '../src/core/practice/hands';
import type { Style } from '../src/core/practice/manner';
import { drawTruth } from '../src/core/practice/truth';
import { boundsOf } from '../src/core/schedule/bounds';
import { compile } from '../src/core/schedule/compile';
import { Generator } from '../src/core/schedule/generate';
import { improve, qualityOf, solve } from '../src/core/schedule/improve';
import { benchJob, type JobWork, type TaskId } from '../src/core/schedule/jobTasks';
import { nextHands } from '../src/core/schedule/nextHands';
import { planWork, wishCost } from '../src/core/schedule/planWork';
import { firstPlan } from '../src/core/schedule/rules';
import { planShop } from '../src/core/schedule/shopPlan';
import type { Bench } from '../src/core/schedule/types';
import { findCardAndDevice, findOutline } from '../src/core/trace/findQuads';
import { edgePoints, snapCorner } from '../src/core/trace/snap';
import { cardCorners } from '../src/core/trace/quad';
import { traceDevice } from '../src/core/trace/traceDevice';
import { randomOf } from '../src/core/numeric/random';
import { shippedDevices } from '../src/model/shippedDevices';
import { stageDefs, stageIds } from '../src/model/stages';
import { taskIds } from '../src/model/taskNames';
import { jobShop, shops } from './jobShops';
import { coarseModel } from './modes';
import { photoOf, type Scene } from './photo';
import { practisedCase } from './practised';

/**
 * Questions that go through whole chains of core, whose parts hold models or are asked for by functions and so cannot be kept as
 * single calls: by the part of core that they are about.
 */
const once = <T>(make: () => T): (() => T) => {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
};

const ring = once(() => {
  const { device, model } = coarseModel();
  const bond = device.bonds[0]!;
  const path = bondPerimeter(device, bond);
  return { device, model, bond, path, arcs: arcCells(model, path.lengthMm), zones: cameraZones(device, bond) };
});
const marks = {
  battery: { cautionC: 50, stopC: 62 },
  camera: { cautionC: 55, stopC: 70 },
  display: { cautionC: 60, stopC: 75 },
  cover: { cautionC: 90, stopC: 130 },
};
const ids = ['battery', 'camera', 'display', 'cover'] as const;

/** Every tenth of a run: lines, parts and what is hot. */
function lookedAt(run: HeatRun, untilS: number) {
  const { arcs } = ring();
  return [0.05, 0.1, 0.2, 0.3, 0.45, 0.6, 0.8, 1].map((f) => {
    const t = f * untilS;
    return [run.arcsC(t, arcs).filter((_, i) => i % 4 === 0), ids.map((id) => [run.partC(t, id), hotOf(run, id, t)])];
  });
}

const heaters: [string, Heater, number, Parameters<typeof HeatRun.start>[4]][] = [
  ['plate', defaultPlate, 110, {}],
  ['plate, cameras over the edge', defaultPlate, 100, { lifted: 'zones' } as never],
  ['mat', defaultMat, 95, {}],
  ['gun', defaultGun, 200, { path: edgeLoop }],
  ['gun, masked', defaultGun, 220, { path: edgeLoop, standoffMm: 60, masks: 'zones' } as never],
  [
    'nozzle on a strip',
    defaultNozzle,
    180,
    { path: { kind: 'strip', insetMm: 2, from: -0.08, to: 0.08, speedMmS: 30 } },
  ],
  ['dryer', defaultDryer, 120, { path: { kind: 'loop', insetMm: 3, roundS: 6 } }],
];
const useOf = (use: object = {}) =>
  Object.fromEntries(
    Object.entries(use).map(([k, v]) => [k, v === 'zones' ? ring().zones.map((shape) => ({ shape, factor: 0.3 })) : v]),
  );

const heat: Record<string, () => unknown> = {
  ...Object.fromEntries(
    heaters.flatMap(([name, heater, setC, use]) => [
      [
        `${name}: on, off, on again`,
        () => {
          const on = { atS: 0, setC, preheated: heater !== defaultMat };
          const again = [
            on,
            { atS: 150, setC: null, preheated: false },
            { atS: 230, setC, preheated: true },
            { atS: 330, setC: null, preheated: false },
          ];
          return lookedAt(HeatRun.start(ring().model, heater, 22, again, useOf(use)), 600);
        },
      ],
      [
        `${name}: when it opens, what it costs`,
        () => {
          const { model, arcs } = ring();
          const run = HeatRun.start(model, heater, 23, [{ atS: 0, setC, preheated: true }], useOf(use));
          const o = opening({
            ...{ run, fromS: 0, arcs, order: arcs.map((_, i) => i), easyC: 58, workC: 44, upperC: 120, marks },
          });
          const first = reached(run, arcs[3]!, 50, 0, 8);
          return {
            o,
            waiting: worstWaiting(run, o, marks),
            first,
            ready: readyAt(run, arcs[9]!, 55, 0),
            falls: fallsBelow(run.then({ atS: 140, setC: null, preheated: false }), arcs[5]!, 44, 140),
            doses: ids.map((id) => exposure(run, id, marks[id], 0, 300)),
          };
        },
      ],
    ]),
  ),
  'ways compared': () => {
    const { model, arcs } = ring();
    const input: WaysInput = {
      ...{ arcs, order: arcs.map((_, i) => i), easyC: 58, workC: 44, upperC: 120, marks, ambientC: 22 },
      ...{ switches: [], nowS: 0, glass: true },
    };
    const ways = heaters.map(([id, heater, setC, use]) =>
      tryWay(model, { id, heater, use: useOf(use), setC, preheated: true }, input),
    );
    const free = tryWay(model, { id: 'free', heater: defaultPlate, use: {}, setC: null, preheated: true }, input);
    return { ways: [...ways, free].map((w) => ({ ...w, picture: w.picture.firstC })), best: gentlest(ways)?.id };
  },
  'a round with the gun': () => {
    const { model, arcs, zones } = ring();
    const input: PathPlanInput = {
      ...{ heater: defaultGun, use: {}, setC: 200, ambientC: 22, arcs, targetC: 58, cameraZones: zones },
      ...{ stopC: { battery: 62, camera: 70, display: 75 }, insetsMm: [0, 4], roundS: 4 },
    };
    return { steady: tryRound(model, input, 2, null), plan: planRound(model, input) };
  },
  'air on one place': () => {
    const { device, bond, zones } = ring();
    const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
    const at = [1.5, 75] as const;
    const piece = { kind: 'roundRect', min: [0, 60], max: [4, 90], r: 1 } as never;
    return spotCadence(stack, {
      ...{
        heater: defaultNozzle,
        setC: 160,
        ambientC: 22,
        at: [...at],
        radiusMm: 8,
        piece,
        easyC: 55,
        workC: 42,
        cycles: 2,
      },
      ...{ masks: zones.map((shape) => ({ shape, factor: 0.3 })), stopC: { battery: 62, camera: 70, display: 75 } },
    } as never);
  },
  'against the full model': () => {
    const { device, model, bond } = ring();
    const stack = toThermalStack(device, bond, new Set(device.parts.map((p) => p.id)));
    return [
      confirmRun(model, stack, { heater: defaultPlate, use: {}, ambientC: 22, setC: 105, heatS: 20, coolS: 10 }),
      confirmRound(stack, {
        ...{ heater: defaultGun, setC: 200, ambientC: 22, path: { kind: 'loop', insetMm: 2, roundS: 5 }, masks: [] },
        ...{ targetC: 40, maxS: 8 },
      } as never),
    ];
  },
  'a plate calibrated from a log': () => {
    const { model } = ring();
    const cell = 7;
    const bench = new SimulatedBench(model, { conductanceWm2K: 300, offsetK: -4, lagS: 50, noiseK: 0.3 }, cell, 22, 5);
    bench.control(0, { setC: 110, heating: true });
    bench.device(0, true);
    const tS = Array.from({ length: 160 }, (_, i) => 2.5 * i);
    const tempC = tS.map((t) => bench.read(t).probeC!);
    const at = { setC: 110, ambientC: 22, cell, preheated: false };
    const input = { log: { tS, tempC }, ...at, start: { conductanceWm2K: 350, offsetK: 0, lagS: 45 } };
    const fit = calibrate(model, input);
    const prior = calibrate(model, { ...input, prior: { offsetK: { mean: -4, sd: 0.5 } } });
    return { tempC, fit, prior, at: [30, 200, 400].map((t) => predictAt(model, fit, at, t)) };
  },
  'glue of a battery through the front': () => {
    const device = shippedDevices.find((d) => d.id === 'ring61')!;
    const model = new ReducedModel(buildModes(batteryGlueStack(device)!, () => true, { nx: 8, ny: 16 }));
    const input = {
      preheated: true,
      ambientC: 22,
      marks: { battery: { cautionC: 60, stopC: 80 }, display: marks.display },
    };
    return [warmGlue(model, defaultPlate, { ...input, setC: 75 }), gentlestGlue(model, defaultMat, input)];
  },
  'coarse modes of two models': () =>
    ['ring61', 'slab101'].map((id) => {
      const device = shippedDevices.find((d) => d.id === id) ?? shippedDevices[3]!;
      const stack = toThermalStack(device, device.bonds[0]!, new Set(device.parts.map((p) => p.id)));
      const m = buildModes(stack, () => true, { nx: 6, ny: 10 });
      return { size: coarseGridSize(stack), m, centers: columnCenters(m).length };
    }),
  'what the back gets of a jet': () => {
    const { model, zones } = ring();
    const centers = columnCenters(model.modes);
    const masks = zones.map((shape) => ({ shape, factor: 0.3 }));
    const path = { kind: 'loop', insetMm: 2, roundS: 5 } as const;
    return [
      ...[defaultGun, defaultNozzle, defaultDryer].map((h) => {
        const spec = { kind: 'jet', jet: jetOf(h, 180), path, masks } as const;
        return backPattern(spec, model.modes.outline, centers, 22);
      }),
      backPattern({ kind: 'contact', hWm2K: 350, lifted: masks }, model.modes.outline, centers, 22),
      backPattern({ kind: 'rays', filmWm2K: 30 }, model.modes.outline, centers, 22),
    ];
  },
};

const practised = once(practisedCase);

const practice: Record<string, () => unknown> = {
  ...Object.fromEntries(
    (['guided', 'reckless', 'timid', 'random'] as Style[]).flatMap((style) =>
      [style === 'guided' || style === 'timid' ? 3 : 11].map((seed) => [
        `${style} hands, seed ${seed}`,
        () => {
          const bench = new PracticeBench(practised(), drawTruth(seed, practised().path));
          const enough = (s: { cut: { freeMm: number } }) => s.cut.freeMm > 90;
          const w = workRing({ bench, heater: defaultPlate, use: {}, setC: 110, pickMm: 0.5, style, seed, enough });
          return { ...w, state: { ...w.state, cut: [w.state.cut.free, w.state.cut.freeMm] } };
        },
      ]),
    ),
  ),
  'odd hands, one after another': () => {
    const b = new PracticeBench(practised(), drawTruth(5, practised().path));
    const acts: [HandAction, number][] = [
      [{ kind: 'push', sMm: 0, depthMm: 3, speedMmS: 1, pickMm: 0.5 }, 3],
      [{ kind: 'heat', heater: defaultPlate, use: {}, setC: 110, preheated: true }, 170],
      [{ kind: 'pull', sMm: 0, forceN: 20 }, 2],
      [{ kind: 'off' }, 2],
      [{ kind: 'pull', sMm: 0, forceN: 25 }, 1],
      [{ kind: 'pull', sMm: 0, forceN: 45 }, 1],
      [{ kind: 'push', sMm: 12, depthMm: 3, speedMmS: 2, pickMm: 0.8 }, 20],
      [{ kind: 'alcohol', fromMm: 40, toMm: 90 }, 5],
      [{ kind: 'wait' }, 90],
      [{ kind: 'push', sMm: 30, depthMm: 9, speedMmS: 4, pickMm: 0.5 }, 30],
      [{ kind: 'heat', heater: defaultGun, use: { path: edgeLoop }, setC: 200, preheated: true }, 60],
    ];
    let state = b.start();
    return acts.map(([a, dtS]) => {
      const s = b.step(state, a, dtS);
      state = s.state;
      return [
        s.happened,
        state.cut.free,
        state.hazard,
        state.hot,
        b.lineC(state, 60, state.tS),
        b.pullNeedN(state, 60),
      ];
    });
  },
};

const minutes: Partial<Record<TaskId, number>> = {
  intake: 5,
  load: 2,
  lift: 10,
  clean: 15,
  dryFit: 4,
  bond: 9,
  check: 12,
  handover: 4,
};
/** A made-up shop of a seed: jobs by tape and by bead, two people, one plate, a night in between. */
function madeUp(n: number, seed: number): Bench {
  const random = randomOf(seed);
  const ways: JobWork['ways'] = [
    { id: 'tape', openS: null, clamp: { resource: 'clip', n: 12 }, clampOffS: 1800, buildS: 1800, handOverS: 3600 },
    {
      id: 'bead',
      openS: { min: 60, max: 240 },
      clamp: { resource: 'clip', n: 8 },
      clampOffS: 3600,
      buildS: 7200,
      handOverS: 21600,
    },
  ];
  const works = Array.from({ length: n }, (_, i): JobWork => {
    const slow = 0.7 + random();
    return {
      ...{ id: `J${i}`, steps: stageIds.map((s) => stageDefs[s].work), weight: 1 + Math.floor(3 * random()) },
      ...{ releaseS: Math.floor(3 * random()) * 1800, dueS: 3600 * (2 + Math.floor(20 * random())) },
      left: new Set<TaskId>(taskIds.filter((t) => t !== 'strip')),
      handsS: (t, p) => Math.round((minutes[t] ?? 3) * 60 * slow * (p === 'B' ? 1.2 : 1)),
      heats: [{ heater: 'plate', held: false, heatS: 90 + Math.round(90 * random()), windowS: 90, reheatS: 70 }],
      ways: [ways[i % 2]!, ...(random() < 0.4 ? [ways[(i + 1) % 2]!] : [])],
      ...{ partS: random() < 0.2 ? 7200 : null, partFirst: random() < 0.5, going: [], handOverFromS: null, wishes: [] },
    };
  });
  const things = {
    ...{ people: ['A', 'B'], personOf: (p: string) => `person:${p}`, heaterOf: (h: string) => `heater:${h}` },
    ...{ shelf: 'shelf', tester: null },
  };
  const jobs = works.map((w) => benchJob(w, things));
  const hour = 3600;
  return {
    ...{ originS: 0, nowS: 0 },
    calendars: {
      a: [
        [0, 4 * hour],
        [4.5 * hour, 9 * hour],
        [24 * hour, 33 * hour],
        [48 * hour, 57 * hour],
      ],
      b: [
        [hour, 9 * hour],
        [25 * hour, 33 * hour],
        [48 * hour, 57 * hour],
      ],
    },
    resources: [
      { id: 'person:A', kind: 'technician', capacity: 1, calendar: 'a' },
      { id: 'person:B', kind: 'technician', capacity: 1, calendar: 'b' },
      { id: 'heater:plate', kind: 'heater', capacity: 1 },
      { id: 'clip', kind: 'clamp', capacity: 24 },
      { id: 'shelf', kind: 'shelf', capacity: 3 },
    ],
    jobs: jobs.map((j) => j.job),
    started: jobs.flatMap((j) => j.started),
  };
}

const schedule: Record<string, () => unknown> = {
  ...Object.fromEntries(
    [
      [4, 1],
      [7, 2],
      [10, 3],
      [14, 4],
    ].flatMap(([n, seed]) => [
      [
        `${n} jobs, seed ${seed}: first plan, bounds, search`,
        () => {
          const g = new Generator(compile(madeUp(n!, seed!)));
          const first = firstPlan(g);
          const better = improve(g, first, { iterations: 120, seed: 7 });
          const solved = solve(g, { iterations: 80, seed: 5 });
          return { first, bounds: boundsOf(g.c), better, solved, quality: qualityOf(g, better.objective) };
        },
      ],
      [
        `${n} jobs, seed ${seed}: the answer to a bench`,
        () => {
          const bench = madeUp(n!, seed!);
          const a = planWork({ bench, previous: [], iterations: 60, seeds: [1, 2], scatters: {}, runs: 60 }, () => {});
          const late = planShop({ ...bench, nowS: 4000 }, { iterations: 30, seeds: [1], previous: a.plan.plan });
          return { ...a, late, next: nextHands(a.plan), cost: wishCost(a.plan, bench) };
        },
      ],
    ]),
  ),
  ...Object.fromEntries(
    Object.keys(shops)
      .slice(0, 3)
      .map((name) => [
        `job shop ${name}`,
        () => {
          const text = (shops as Record<string, unknown>)[name] as string | { text: string };
          const bench = jobShop(typeof text === 'string' ? text : text.text);
          return solve(new Generator(compile(bench)), { iterations: 150, seed: 3 });
        },
      ]),
  ),
};

const scene: Scene = { widthMm: 72, lengthMm: 150, tilt: [8, -6], turn: 3, cardTurn: 6, k1: 0, noise: 2 };
const trace: Record<string, () => unknown> = {
  'a card on a device': () => {
    const { grey, toPx, card } = photoOf(scene);
    const corners = cardCorners(grey, card);
    const centre = toPx([36, 75]);
    const edge = (x: number, y: number) => edgePoints(grey, toPx([x, y]), centre);
    const edges = { top: edge(39, 0), right: edge(72, 63), bottom: edge(32, 150), left: edge(0, 85) };
    const points = Object.fromEntries(Object.entries(edges).map(([k, e]) => [k, e.points])) as never;
    return {
      corners,
      snapped: card.map((c) => snapCorner(grey, c)),
      edges,
      device: traceDevice(corners.corners, points),
    };
  },
  'found without a tap': () => {
    const { grey } = photoOf({ ...scene, mess: true });
    return [findCardAndDevice(grey), findOutline(photoOf({ ...scene, bare: true }).grey, 150, 72)];
  },
};

const camera: Record<string, () => unknown> = {
  'targets of several blurs': () =>
    [
      { pxPerMm: 2.2, sigmaPx: 1 },
      { pxPerMm: 2.2, sigmaPx: 1.7, noise: 0.006, seed: 4 },
      { pxPerMm: 2.4, sigmaPx: 1.3, haze: 0.02, white: 0.7, seed: 9 },
    ].map((o) => {
      const p = paint(o);
      const shot = targetShot(p);
      return {
        shot,
        tapped: tappedEdge(p, shot.edges[0]!.at, 'tapped'),
        grey: [...p.data].filter((_, i) => i % 9973 === 0),
      };
    }),
  'specks on a field': () =>
    [1, 2].map((seed) => {
      const random = randomOf(seed);
      const [width, height] = [80, 60];
      const data = Float64Array.from({ length: width * height }, (_, i) => {
        const [x, y] = [i % width, Math.floor(i / width)];
        const dark = Math.hypot(x - 30, y - 25) < 3 ? 0.3 : Math.hypot(x - 60, y - 40) < 1.5 ? 0.15 : 0;
        return 0.7 - 0.001 * x - dark + 0.01 * (random() - 0.5);
      });
      return specks({ width, height, values: data });
    }),
};

export const keptChains: Record<string, Record<string, () => unknown>> = { heat, practice, schedule, trace, camera };
