// The proof of the advice: made-up devices worked by somebody who follows the calls, and by reckless, timid and random hands.
// SEEDS=2000 node --import tsx bench/practice.ts; a few are worked in `npm run bench`.
import { readFileSync } from 'node:fs';
import path from 'node:path';

import { firstPlan, setFor } from '../src/work/heat/heatPlan';
import { ReducedModel } from '../src/core/heat/reduced';
import { PracticeBench } from '../src/core/practice/bench';
import { reached } from '../src/core/practice/goal';
import { workRing } from '../src/core/practice/hands';
import { drawVisitor, visitorAt } from '../src/core/practice/visitor';
import { twoEnding } from '../src/work/practice/twoEnding';
import { workLens } from '../src/core/practice/lensHands';
import { PiecesBench } from '../src/core/practice/pieces/bench';
import { workPieces } from '../src/core/practice/pieces/hands';
import { piecesCalls, piecesCase, piecesEnding } from '../src/work/practice/piecesPractice';
import { readyForPieces } from '../src/work/practice/readyForPieces';
import { lensCalls, lensPracticeCase } from '../src/work/practice/lensPractice';
import { styles, type Style } from '../src/core/practice/manner';
import { edgeOrder } from '../src/core/lift/order';
import { wilson } from '../src/core/statistics/rates';
import { demoSettings } from '../src/demo/shop';
import type { JobEvent, NewEvent } from '../src/model/event';
import { foldJob, type JobState } from '../src/model/fold';
import { decodeModes } from '../src/model/modesFile';
import { heaterOf } from '../src/model/settings';
import { shippedDevices } from '../src/model/shippedDevices';
import { plainWay } from '../src/model/way';
import { thermalKey } from '../src/workers/thermalKey';
import { endingOf, readyForHeat, readyForLens, truthOf } from '../src/work/practice/exercises';
import { ClosingBench } from '../src/core/practice/closing/bench';
import { workClosing } from '../src/core/practice/closing/hands';
import { drawClosing } from '../src/core/practice/closing/truth';
import { closingCalls, closingCase } from '../src/work/practice/closingCase';
import { closingEnding } from '../src/work/practice/closingEnding';
import { practiceLiquid, readyForClosing } from '../src/work/practice/closings';
import { practiceCase } from '../src/work/practice/practiceCase';
import { defaultPickMm } from '../src/core/lift/verdict';
import { shopScale } from '../src/work/heat/shopAdhesive';
import {
  closingIds,
  exercises,
  liftIds,
  type ClosingId,
  type LiftId,
  closings,
  deviceOf,
} from '../src/work/practice/exerciseTable';

type Line = (name: string, value: string) => void;
const t0 = Date.UTC(2026, 3, 14, 13);

function jobOf(deviceId: string, ready: (bondId: string) => readonly NewEvent[], joint?: string) {
  const device = shippedDevices.find((d) => d.id === deviceId)!;
  const bondId = joint ?? device.bonds[0]!.id;
  const events = [
    { type: 'opened' as const, label: 'P', device, bondId, promiseAt: null, customerMark: '', steps: plainWay(bondId) },
    ...ready(bondId),
  ].map((e, i) => ({
    ...e,
    v: 1,
    id: `p${i}`,
    jobId: 'p',
    writer: 'p',
    seq: i,
    at: t0,
    loggedAt: t0,
    by: 'p',
  })) as JobEvent[];
  return foldJob(events)!;
}

const models = new Map<string, ReducedModel>();
function modelOf(job: JobState): ReducedModel {
  const { digest } = thermalKey(job.device, job.bond);
  let model = models.get(digest);
  if (!model) {
    const file = path.join(import.meta.dirname, '..', 'public', 'modes', `${digest}.json`);
    models.set(digest, (model = new ReducedModel(decodeModes(readFileSync(file, 'utf8'), digest)!)));
  }
  return model;
}

function bare(exercise: LiftId) {
  const job = jobOf(exercises[exercise].deviceId!, readyForHeat);
  return { job, about: practiceCase(job, demoSettings, modelOf(job)) };
}

/** Works some seeds of an exercise in one style and counts how they end. */
export function provePractice(exercise: LiftId, style: Style, seeds: number) {
  const { job, about } = bare(exercise);
  const plan = firstPlan(job, demoSettings);
  const heater = heaterOf(demoSettings, plan.heater);
  const { goal } = exercises[exercise];
  const edge = edgeOrder(about.device, about.bond, about.outs)[0]!;
  const ends: Record<string, number> = {};
  let [broke, minutes, heats] = [0, 0, 0];
  for (let seed = 1; seed <= seeds; seed++) {
    const truth = truthOf(exercise, seed, about.path, shopScale(demoSettings, job.bond.adhesive).sd);
    const w = workRing({
      ...{ bench: new PracticeBench(about, truth), heater, use: {}, setC: setFor(heater, job) },
      ...{ pickMm: plan.pickMm ?? defaultPickMm, style, seed, enough: (s) => reached(goal, s, edge) },
    });
    const end = endingOf(goal, w.state, edge);
    const why =
      end === 'broke' ? `broke: ${w.state.broke!.because}` : end === 'hurt' ? `hit: ${w.state.hurt[0]!.why}` : end;
    ends[why] = (ends[why] ?? 0) + 1;
    if (w.state.broke) broke++;
    minutes += w.state.tS / 60 / seeds;
    heats += w.heats / seeds;
  }
  return { ends, broke, ...wilson(broke, seeds), minutes, heats };
}

/** As `provePractice`, of two devices and a customer who comes in while the first one is worked on. */
export function proveTwo(style: Style, seeds: number) {
  const sides = [exercises.two.deviceId!, exercises.two.beside!].map((deviceId) => {
    const job = jobOf(deviceId, readyForHeat);
    const about = practiceCase(job, demoSettings, modelOf(job));
    const plan = firstPlan(job, demoSettings);
    return { job, about, plan, heater: heaterOf(demoSettings, plan.heater) };
  });
  const ends: Record<string, number> = {};
  let [faulty, minutes] = [0, 0];
  for (let seed = 1; seed <= seeds; seed++) {
    const visitor = drawVisitor(seed);
    let seconds = 0;
    let wentS: number | null = null;
    const ended = sides.map(({ job, about, plan, heater }, i) => {
      const edge = edgeOrder(about.device, about.bond, about.outs)[0]!;
      const own = seed + i * 5_000_000;
      const w = workRing({
        bench: new PracticeBench(about, truthOf('two', own, about.path, shopScale(demoSettings, job.bond.adhesive).sd)),
        ...{ heater, use: {}, setC: setFor(heater, job), pickMm: plan.pickMm ?? defaultPickMm, style, seed: own },
        enough: (s) => reached('firstEdge', s, edge),
        ...(i === 0 ? { visitor } : {}),
      });
      seconds += w.state.tS;
      wentS ??= w.wentS;
      return endingOf('firstEdge', w.state, edge);
    });
    const end = twoEnding(ended, visitorAt(visitor, wentS, Math.max(seconds, visitor.comesS + visitor.waitsS)));
    ends[end] = (ends[end] ?? 0) + 1;
    if (end !== 'passed') faulty++;
    minutes += seconds / 60 / seeds;
  }
  return { ends, faulty, ...wilson(faulty, seeds), minutes };
}

/** As `provePractice`, of a shattered cover: each seed has cracks of its own. */
export function provePieces(style: Style, seeds: number) {
  const deviceId = deviceOf('pieces')!;
  const device = shippedDevices.find((d) => d.id === deviceId)!;
  const ends: Record<string, number> = {};
  let [faulty, minutes] = [0, 0];
  for (let seed = 1; seed <= seeds; seed++) {
    const job = jobOf(deviceId, () => readyForPieces(seed, device, device.bonds[0]!));
    const about = piecesCase(job, demoSettings, modelOf(job));
    const calls = piecesCalls(job, demoSettings, about)!;
    const bench = new PiecesBench(
      about,
      truthOf('pieces', seed, about.path, shopScale(demoSettings, job.bond.adhesive).sd),
    );
    const w = workPieces(bench, calls, style, seed);
    const end = piecesEnding(bench, w.state);
    ends[end] = (ends[end] ?? 0) + 1;
    if (end !== 'passed') faulty++;
    minutes += w.state.tS / 60 / seeds;
  }
  return { ends, faulty, ...wilson(faulty, seeds), minutes };
}

/** As `provePractice`, of a lens cover. */
export function proveLens(style: Style, seeds: number) {
  const { deviceId, bondId } = exercises.lens;
  const job = jobOf(deviceId!, () => readyForLens(bondId!), bondId);
  const about = lensPracticeCase(job, demoSettings)!;
  const calls = lensCalls(job, demoSettings)!;
  const ends: Record<string, number> = {};
  let [faulty, minutes] = [0, 0];
  const all = { fromMm: 0, toMm: about.path.lengthMm };
  for (let seed = 1; seed <= seeds; seed++) {
    const truth = truthOf('lens', seed, about.path, shopScale(demoSettings, about.bond.adhesive).sd);
    const w = workLens({ bench: new PracticeBench(about, truth), ...calls, style, seed });
    const end = endingOf('off', w.state, all);
    ends[end] = (ends[end] ?? 0) + 1;
    if (end !== 'passed') faulty++;
    minutes += w.state.tS / 60 / seeds;
  }
  return { ends, faulty, ...wilson(faulty, seeds), minutes };
}

/** As `provePractice`, of a joint that is closed. */
export function proveClosing(exercise: ClosingId, style: Style, seeds: number, settings = demoSettings) {
  const { deviceId, from } = closings[exercise];
  const bond = shippedDevices.find((d) => d.id === deviceId)!.bonds[0]!;
  const liquid = practiceLiquid(settings, bond);
  const job = jobOf(deviceId, () => readyForClosing(exercise, bond, liquid));
  const about = closingCase(job, settings, t0);
  const calls = closingCalls(job, settings, t0);
  const ends: Record<string, number> = {};
  let [faulty, minutes] = [0, 0];
  for (let seed = 1; seed <= seeds; seed++) {
    const bench = new ClosingBench(about, drawClosing(seed, about), from);
    const w = workClosing({ bench, style, seed, calls });
    const end = closingEnding(exercise, bench, w.state);
    ends[end] = (ends[end] ?? 0) + 1;
    if (end !== 'passed') faulty++;
    minutes += w.state.tS / 60 / seeds;
  }
  return { ends, faulty, ...wilson(faulty, seeds), minutes };
}

const endsText = (ends: Record<string, number>) =>
  Object.entries(ends)
    .sort((a, b) => b[1] - a[1])
    .map(([k, n]) => `${k} ${n}`)
    .join(', ');

const percent = (v: number) => `${(100 * v).toFixed(1)} %`;

export function practiceBench(line: Line, seeds: number): void {
  for (const exercise of liftIds.filter(
    (e) => exercises[e].deviceId !== null && !exercises[e].lens && !exercises[e].beside,
  ))
    for (const style of styles) {
      const r = provePractice(exercise, style, seeds);
      line(
        `practice ${exercise}, ${style}, ${seeds} seeds`,
        `broke ${percent(r.broke / seeds)} (${percent(r.low)} to ${percent(r.high)}); ${endsText(r.ends)}; ${r.minutes.toFixed(0)} min, ${r.heats.toFixed(1)} heats`,
      );
    }
  // many joints are closed in the time in which one ring is lifted
  for (const exercise of ['two', 'pieces', 'lens', ...closingIds] as const)
    for (const style of styles) {
      const many = exercise === 'pieces' || exercise === 'two' ? seeds : exercise === 'lens' ? seeds * 4 : seeds * 20;
      const r =
        exercise === 'two'
          ? proveTwo(style, many)
          : exercise === 'pieces'
            ? provePieces(style, many)
            : exercise === 'lens'
              ? proveLens(style, many)
              : proveClosing(exercise, style, many);
      line(
        `practice ${exercise}, ${style}, ${many} seeds`,
        `fails ${percent(r.faulty / many)} (${percent(r.low)} to ${percent(r.high)}); ${endsText(r.ends)}; ${r.minutes.toFixed(0)} min`,
      );
    }
}

if (process.argv[1]?.endsWith('practice.ts')) {
  practiceBench((name, value) => console.log(`${name}: ${value}`), Number(process.env.SEEDS ?? 100));
  process.exit(0);
}
