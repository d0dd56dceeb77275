import { givingUpFigures, heatsBuyLittle, progressOf, workedS, type Progress } from '@/core/lift/givingUp';
import type { Perimeter } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { minutesPerPiece } from '@/core/intake/routeFigures';
import { clearUpMinutes } from '@/core/intake/route';
import { workDefs } from '@/core/intake/works';
import { judgement } from '@/core/source';
import type { KnownEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { coverWorkAt } from '@/model/jobWorks';
import { isAir } from '@/core/heat/heater';
import { airsOf, heaterOf, type Settings } from '@/model/settings';
import { bookOf, kindOf } from '@/work/bench/shopDurations';
import { liftModeOf, shatteredFrom } from './liftMode';

export const nextWayFigures = {
  reheatMin: judgement(2, 'minutes to change over to hot air and back'),
  wickMin: judgement(3, 'minutes that alcohol is given to run in'),
};

/** Another way, and what it takes from here: minutes of hands, and money with the hourly rate, minor units. */
export interface NextWay {
  id: 'air' | 'alcohol' | 'pieces' | 'writeOff';
  minutes: number;
  costMinor: number;
}

const worksAtIt = new Set<KnownEvent['type']>(['edge', 'cut', 'heatOn', 'heatOff', 'observed', 'pieceOff', 'alcohol']);

/** A cover as somebody works round it: how much there is, how much still holds, what an entry freed, mm of its ring. */
export interface Round {
  lengthMm: number;
  heldMm: number;
  freedMm: (e: KnownEvent) => number;
}

/** Along the ring: edges and stretches. */
export const roundOf = (job: JobState, path: Perimeter): Round => ({
  lengthMm: path.lengthMm,
  heldMm: path.lengthMm - job.cut.freeMm,
  freedMm: (e) => {
    if (e.type === 'cut') return e.free ? e.toMm - e.fromMm : 0;
    if (e.type !== 'edge' || !e.free) return 0;
    const s = path.edgeSpan(e.edge);
    return s.toMm - s.fromMm;
  },
});

/** Piece by piece: a piece counts with its share of the cover. */
export function piecesRound(job: JobState, path: Perimeter): Round {
  const { min, max } = boxOf(job.face.cover.outline);
  const wholeMm2 = (max[0] - min[0]) * (max[1] - min[1]);
  const off = [...job.piecesOff.values()].reduce((m, p) => m + p.areaMm2, 0);
  return {
    lengthMm: path.lengthMm,
    heldMm: path.lengthMm * Math.max(0, 1 - off / wholeMm2),
    freedMm: (e) => (e.type === 'pieceOff' ? (path.lengthMm * e.areaMm2) / wholeMm2 : 0),
  };
}

/** What came free, at a second of the work on this lift; null before the first heat came off. */
function liftWork(job: JobState, now: number, { lengthMm, freedMm: spanMm }: Round) {
  const begun = job.heat.find((h) => h.setC === null)?.at ?? (job.stages.heat === 'skipped' ? job.openedAt : null);
  if (begun === null) return null;
  const own = job.effective.filter((e) => worksAtIt.has(e.type) && e.at >= begun && e.at <= now);
  const first = job.stages.heat === 'skipped' ? (own[0]?.at ?? now) : begun;
  const instants = [first, ...own.map((e) => Math.max(first, e.at)), now];
  const s = workedS(instants);
  const gains = own.flatMap((e, i) => {
    const mm = Math.min(lengthMm, spanMm(e));
    return mm > 0 ? [{ atS: s[i + 1]!, mm }] : [];
  });
  return { gains, nowS: s.at(-1)! };
}

/** What each heat of this joint freed until the next one, mm; the last one counts when it was said to have gripped. */
function freedByHeat(job: JobState, now: number, { freedMm }: Round): number[] {
  const offs = job.heat.filter((h) => h.setC === null && h.at <= now).map((h) => h.at);
  const on = onPlate(job) !== null;
  return offs.flatMap((at, i) => {
    const until = offs[i + 1] ?? now;
    const own = job.effective.filter((e) => e.at >= at && e.at <= until);
    const ended = i < offs.length - 1 || on || own.some((e) => e.type === 'observed' && e.what === 'grips');
    return ended ? [own.reduce((m, e) => m + freedMm(e), 0)] : [];
  });
}

/**
 * The log shows little gain for long: how little, and what else there is with what it takes from here, cheapest first. Null
 * while the work goes on as such work does.
 * @param round how far the work is, along the ring or piece by piece
 * @returns `shortHeats`: so many heats in a row bought next to nothing; 0: it is the time that says so
 */
export function givingUp(
  job: JobState,
  jobs: readonly JobState[],
  settings: Settings,
  now: number,
  round: Round,
): { progress: Progress; ways: NextWay[]; shortHeats: number } | null {
  if (job.stages.lift === 'done' || job.stages.lift === 'skipped') return null;
  const { lengthMm, heldMm } = round;
  if (heldMm < 1) return null;
  const done = liftWork(job, now, round);
  if (!done) return null;
  const usualMin = bookOf(jobs).of('lift', kindOf(job), settings.person).medianS / 60;
  const progress = progressOf(done.gains, done.nowS, lengthMm / usualMin);
  const short =
    liftModeOf(job).mode !== 'edges' || !heatsBuyLittle(freedByHeat(job, now, round))
      ? 0
      : givingUpFigures.shortHeats.value;
  if (!progress.little && !short) return null;
  const perMinute = (settings.ratePerH * 100) / 60;
  const cutMin = heldMm / progress.usualMmPerMin;
  const way = (id: NextWay['id'], minutes: number, partMinor = 0): NextWay => ({
    id,
    minutes,
    costMinor: Math.round(minutes * perMinute + partMinor),
  });
  const airUsed = job.heat.some((h) => h.setC !== null && isAir(heaterOf(settings, h.heater)));
  const { item } = workDefs[coverWorkAt(job)];
  const price = settings.money.prices[job.device.kind]?.[`${item}.genuine`];
  const pieces = Math.max(shatteredFrom.value, job.cracks.size + 1);
  const ways = [
    ...(airsOf(settings).length && !airUsed ? [way('air', cutMin + nextWayFigures.reheatMin.value)] : []),
    ...(job.alcohol.some((a) => a.use === 'gap') ? [] : [way('alcohol', cutMin + nextWayFigures.wickMin.value)]),
    ...(!job.keepCover && liftModeOf(job).mode === 'edges'
      ? [way('pieces', pieces * minutesPerPiece.value + clearUpMinutes.value)]
      : []),
    ...(job.keepCover && price !== undefined ? [way('writeOff', cutMin + clearUpMinutes.value, price)] : []),
  ].sort((a, b) => a.costMinor - b.costMinor);
  return { progress, ways, shortHeats: short };
}
