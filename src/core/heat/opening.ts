import { CoreInputError, requireIn } from '../errors';
import { judgement, published, type Range } from '../source';
import { around, firstReach, firstReachNear, horizonS, reached, type Exposure } from './forecast';
import { leadOf } from './heaterDefs';
import type { ArcCells } from './arcs';
import type { HeatRun } from './run';
import { watchedKinds, type Member, type Watched } from './member';

/** Marks of what is watched, °C. */
export interface Marks {
  cautionC: number;
  stopC: number;
}

/** What has to be reached where, and what must not be passed. */
export interface OpeningAim {
  arcs: readonly ArcCells[];
  /** arcs still to be cut, the next one first */
  order: readonly number[];
  /** lowest bond-line temperatures at which the pick goes and at which it works slowly, °C; null: it never does */
  easyC: number | null;
  workC: number | null;
  /** what the glue stands at its hottest place, °C */
  upperC: number;
  marks: Partial<Record<Watched, Marks>>;
}

export interface OpeningInput extends OpeningAim {
  /** the run with its heat on */
  run: HeatRun;
  /** s of the run at which this heat began, or would begin */
  fromS: number;
  /** from leaving the heater to the first cut, s */
  leadS?: number | undefined;
}

/** Why a heat is not for this device: what of it passes its stop mark when the bond opens. */
export type Over = Watched | 'glue';

/**
 * When a bond opens under one heat, and what else is hot then: one answer for every page. Instants are seconds of the run.
 * What can be tried is told by the usual value with its range; what harms is judged in the same world as the bond.
 */
export interface Opening {
  fromS: number;
  /** the pick works slowly when the device is taken off at this instant */
  tryFromS: Range | null;
  /** the pick goes easily when the device is taken off at this instant; `high` is "at the latest" */
  easyByS: Range | null;
  /** the late end lies beyond what was looked at */
  openEnded: boolean;
  /** the instant that the parts are judged at: when the start is easy, as it usually is */
  leaveS: number | null;
  parts: Partial<Record<Watched, Exposure>>;
  /** hottest place of the glue then, °C */
  glueC: Range | null;
  over: Over[];
  caution: Watched[];
  /** arc that is coldest then, and its usual temperature, °C */
  coldest: { arc: number; meanC: number } | null;
  /** after the device was taken off: how long the start stays easy, and until it grips, s */
  easyForS: Range | null;
  gripsForS: Range | null;
  /** hoop tension beside a hot place of the face, MPa */
  spotMPa: number;
}

/**
 * Small hot spot in a cool plate: hoop tension just outside is E α ΔT / 2 (Timoshenko & Goodier). 31 MPa for 100 K.
 */
export const spotStressMPaK = published(0.31, 'E α/2, Timoshenko & Goodier; cover glass 73 GPa, 8.5e-6 /K');
/** Parts lag behind the face: they are watched this long after the heat ends. */
export const afterS = judgement(120, 'parts inside get hottest within two minutes after the heat ended');
/** Instants after the heat ended at which the parts are looked at, s. */
const looks = [0, 15, 30, 60, 90, 120];
/** When the hottest place of a part is looked for, s after the heat ended. */
const lagS = 30;

/**
 * The opening of a bond under the heat of `run`, by the usual world and each moved one in its own time (law 5).
 * @throws CoreInputError when an instant or a temperature is no number, or no arc is left
 */
export function opening(input: OpeningInput): Opening {
  const { run, fromS, arcs, order, easyC, workC, marks } = input;
  requireIn('fromS', fromS, -1e7, 1e7, 's');
  requireIn('upperC', input.upperC, -50, 1000, '°C');
  if (easyC !== null) requireIn('easyC', easyC, -50, 1000, '°C');
  if (workC !== null) requireIn('workC', workC, -50, 1000, '°C');
  const lead = requireIn('leadS', input.leadS ?? leadOf(run.heater), 0, 600, 's');
  const first = arcs[order[0] ?? 0];
  if (!first) throw new CoreInputError('arcs', arcs.length, 'at least one arc');
  const none: Opening = {
    fromS,
    tryFromS: null,
    easyByS: null,
    openEnded: false,
    leaveS: null,
    parts: {},
    glueC: null,
    over: [],
    caution: [],
    coldest: null,
    easyForS: null,
    gripsForS: null,
    spotMPa: 0,
  };
  const endS = fromS + horizonS;
  const { members } = run;
  const swing = run.swingK(fromS);
  const tried = workC === null ? null : reached(run, first, workC, fromS, lead);
  const tryFromS = tried?.range ?? null;
  const ready =
    easyC === null ? null : reached(run, first, easyC, fromS, lead, tried && { own: tried.own, atC: workC! });
  if (!ready || easyC === null) return { ...none, tryFromS };
  const leaveS = ready.range.mean;

  // each world to its own ready instant, then off
  const off = members.map((m, i) => {
    const at = ready.own[i] ?? endS;
    return { at, member: m.then({ atS: at, setC: null, preheated: false }) };
  });
  const parts: Opening['parts'] = {};
  const over: Over[] = [];
  const caution: Watched[] = [];
  for (const id of watchedKinds) {
    const m = marks[id];
    if (!m) continue;
    const seen = exposureTogether(run, off, id, m, swing[id === 'cover' ? 'cover' : 'part']);
    if (!seen) continue;
    parts[id] = seen;
    if (seen.peakC.high >= m.stopC) over.push(id);
    else if (seen.peakC.high >= m.cautionC) caution.push(id);
  }
  const glue = members[0]!.hottestLine(leaveS);
  const glueC = around(
    glue.atC,
    members.slice(1).map((m, i) => m.bondCellC(off[i + 1]!.at, glue.cell)),
    run.errorK.bondLow,
    run.errorK.bondHigh + swing.bond,
  );
  if (glueC.high >= input.upperC) over.push('glue');
  const lines = members[0]!.linesC(
    leaveS,
    order.map((arc) => arcs[arc]!.cells),
  );
  const line = order.map((arc, i) => ({ arc, meanC: lines[i]! }));
  const falls = (below: number | null) => {
    if (below === null) return null;
    const fall = (member: Member) => (s: number) => -member.lineC(s, first.cells);
    const [nominal, ...moved] = off;
    const usual = firstReach(fall(nominal!.member), -below, leaveS + 1e-3, leaveS + horizonS);
    const forS = (usual ?? leaveS + horizonS) - leaveS;
    const fallsBy =
      usual === null ? 0 : nominal!.member.lineC(usual - 2, first.cells) - nominal!.member.lineC(usual, first.cells);
    const own = [
      forS,
      ...moved.map(({ at, member }) => {
        const t = firstReachNear(fall(member), -below, at + 1e-3, at + horizonS, at + forS, fallsBy / 2);
        return (t ?? at + horizonS) - at;
      }),
    ];
    const r = around(own[0]!, own.slice(1));
    return { low: Math.max(0, r.low), mean: r.mean, high: r.high };
  };
  const face = run.faceC(leaveS);
  return {
    ...none,
    tryFromS,
    easyByS: ready.range,
    openEnded: ready.own.includes(null),
    leaveS,
    parts,
    glueC,
    over,
    caution,
    coldest: line.length ? line.reduce((m, x) => (x.meanC < m.meanC ? x : m)) : null,
    easyForS: falls(easyC),
    gripsForS: falls(workC),
    spotMPa: spotStressMPaK.value * Math.max(0, face.hottest - face.mean),
  };
}

/** Looks at a part over all heats of a run; between two its temperature is taken as a straight line. */
const doseLooks = 24;

/** Share of a straight stretch that lies above zero. */
const shareAbove = (a: number, b: number): number =>
  a >= 0 && b >= 0 ? 1 : a < 0 && b < 0 ? 0 : Math.max(a, b) / Math.abs(b - a);

/** When a straight stretch first lies at or above a mark; null when it does not. */
const crossing = (t0: number, c0: number, t1: number, c1: number, markC: number): number | null =>
  c0 >= markC ? t0 : c1 >= markC ? t0 + ((t1 - t0) * (markC - c0)) / (c1 - c0) : null;

/**
 * Peak of a watched thing from its world's own ready instant on, and its dose over all heats of the run; null when the
 * device has none. The dose's high end is the nominal curve moved by what the peak is uncertain by.
 */
function exposureTogether(
  run: HeatRun,
  off: readonly { at: number; member: Member }[],
  id: Watched,
  m: Marks,
  swingK: number,
): Exposure | null {
  const [nominal, ...moved] = off;
  const member = nominal!.member;
  // the cover is hottest when the heat ends, everything inside lags behind; the hottest place hardly moves meanwhile
  const top = id === 'cover' ? run.members[0]!.hottest(nominal!.at, id) : member.hottest(nominal!.at + lagS, id);
  if (!top) return null;
  const { cell } = top;
  let peak = top.atC;
  let at = id === 'cover' ? 0 : lagS;
  if (id !== 'cover')
    for (const s of looks) {
      const c = member.atCell(nominal!.at + s, id, cell);
      if (c > peak) {
        peak = c;
        at = s;
      }
    }
  const own = moved.map((w, i) =>
    id === 'cover'
      ? run.members[i + 1]!.atCell(w.at, id, cell)
      : Math.max(...looks.map((s) => (Math.abs(s - at) <= 30 ? w.member.atCell(w.at + s, id, cell) : -Infinity))),
  );
  const peakC = around(peak, own, run.errorK.partLow + swingK, run.errorK.partHigh + swingK);
  const extraK = peakC.high - peakC.mean;
  const startS = Math.min(0, run.switches[0]?.atS ?? 0);
  const endS = nominal!.at + afterS.value;
  let cautionAtS: number | null = null;
  let stopAtS: number | null = null;
  const dose = { aboveCautionS: { mean: 0, high: 0 }, aboveStopS: { mean: 0, high: 0 } };
  if (peakC.high >= m.cautionC) {
    const step = Math.max(5, (endS - startS) / doseLooks);
    let t0 = startS;
    let c0 = member.atCell(t0, id, cell);
    for (let t = t0 + step; t0 < endS; t += step) {
      const t1 = Math.min(t, endS);
      const c1 = member.atCell(t1, id, cell);
      const above = (markC: number) => (t1 - t0) * shareAbove(c0 - markC, c1 - markC);
      dose.aboveCautionS.mean += above(m.cautionC);
      dose.aboveStopS.mean += above(m.stopC);
      dose.aboveCautionS.high += above(m.cautionC - extraK);
      dose.aboveStopS.high += above(m.stopC - extraK);
      cautionAtS ??= crossing(t0, c0, t1, c1, m.cautionC - extraK);
      stopAtS ??= crossing(t0, c0, t1, c1, m.stopC - extraK);
      t0 = t1;
      c0 = c1;
    }
  }
  return { peakC, ...dose, cautionAtS, stopAtS };
}

/**
 * Somebody who never tries and waits for the late end by the clock: hottest that each watched thing gets then, by the
 * opposite ends of the ensemble. Shown under Why, not what a heat is judged by.
 */
export function worstWaiting(run: HeatRun, o: Opening, marks: OpeningInput['marks']): Partial<Record<Watched, number>> {
  if (!o.easyByS) return {};
  const leave = o.easyByS.high;
  const off = run.then({ atS: leave, setC: null, preheated: false });
  const out: Partial<Record<Watched, number>> = {};
  for (const id of watchedKinds) {
    if (!marks[id]) continue;
    const seen = (id === 'cover' ? [run.partC(leave, id)] : looks.map((s) => off.partC(leave + s, id))).flatMap((r) =>
      r ? [r.high] : [],
    );
    if (seen.length) out[id] = Math.max(...seen);
  }
  return out;
}
