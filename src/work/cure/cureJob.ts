import {
  cureClocks,
  cureMarks,
  edgeFactorFrom,
  lawEdges,
  progressAt,
  shareDone,
  type ClimateStep,
  type CureKind,
  type CureMark,
  type EdgeFactor,
} from '@/core/cure/laws';
import { beadFigures } from '@/core/bond/bead';
import { unlocksAtS, type CureBy } from '@/core/cure/policy';
import type { Range } from '@/core/source';
import type { JobState, JointSeen } from '@/model/fold';
import type { WholeJobSlice } from '@/model/stages/wholeJob';
import type { CureSlice } from '@/model/stages/cure';
import type { BondSlice } from '@/model/stages/bond';
import type { Settings } from '@/model/settings';

export interface JobCure {
  kind: CureKind;
  bondMm: number;
  startAt: number | null;
  steps: ClimateStep[];
  edges: EdgeFactor;
  /** s after closing; before closing as if it were closed now */
  clocks: Record<CureMark, Range>;
  /** s after closing at which each mark unlocks, by the shop's policy */
  unlockS: Record<CureMark, number>;
  /** of the long and of the short end: what has been reached now */
  shareLow: number;
  shareHigh: number;
}

const hour = 3600e3;

export const unlocksOf = (clocks: Record<CureMark, Range>, by: CureBy): Record<CureMark, number> =>
  Object.fromEntries(cureMarks.map((m) => [m, unlocksAtS(clocks[m], m, by)])) as Record<CureMark, number>;

/**
 * The air that a bond has had and will have: what was noted from its instant on, the shelf's own temperature where it has
 * one, and the shop's night where nothing was noted in that night. Without any note the room of the settings.
 */
export function climateOf(job: Pick<JobState, 'airs' | 'shelved'>, settings: Settings, startAt: number): ClimateStep[] {
  // a log that is read in later brings notes of earlier instants
  const airs = [...job.airs].sort((a, b) => a.at - b.at);
  const before = airs.findLast((a) => a.at <= startAt);
  const shelfC = (at: number) => (job.shelved && job.shelved.at <= at ? job.shelved.tC : null);
  const marks = [
    startAt,
    ...airs.filter((a) => a.at > startAt).map((a) => a.at),
    ...(job.shelved && job.shelved.at > startAt ? [job.shelved.at] : []),
  ];
  const nights = settings.night.on ? nightSpans(settings.night, startAt, Math.max(...marks) + 60 * 24 * hour) : [];
  const all = [...new Set([...marks, ...nights.flatMap((n) => [n.from, n.to]).filter((t) => t > startAt)])].sort(
    (a, b) => a - b,
  );
  // instants rise, so notes and nights are walked along with them
  let a = -1;
  let n = 0;
  return all.map((at) => {
    while (a + 1 < airs.length && airs[a + 1]!.at <= at) a++;
    while (n < nights.length && nights[n]!.to <= at) n++;
    const noted = airs[a] ?? before;
    const night = nights[n] && at >= nights[n]!.from ? nights[n] : undefined;
    // the room's figure that is kept with the clamps is no measurement of the night
    const measuredTonight = noted !== undefined && night !== undefined && noted.at >= night.from && noted.at > startAt;
    const tC = shelfC(at) ?? (night && !measuredTonight ? settings.night.tC : (noted?.tempC ?? settings.roomC));
    const rh = noted?.rh ?? settings.humidity;
    return { fromS: (at - startAt) / 1e3, tC, rh };
  });
}

const mostNights = 400;

/** Nights from a day on, by the hours that they have: the jobs of a shop ask for the same ones. */
const nightsKnown = new Map<string, { from: number; to: number }[]>();

/** Nights by the clock on the wall between two instants. */
function nightSpans(n: Settings['night'], from: number, to: number): { from: number; to: number }[] {
  const day = new Date(from);
  day.setDate(day.getDate() - 1);
  day.setHours(n.fromH, 0, 0, 0);
  const key = `${day.getTime()} ${n.toH}`;
  let known = nightsKnown.get(key);
  if (!known) {
    if (nightsKnown.size > 100) nightsKnown.clear();
    nightsKnown.set(key, (known = []));
  }
  if (known.length) day.setTime(known[known.length - 1]!.from);
  while (known.length < mostNights && day.getTime() < to) {
    if (known.length) day.setDate(day.getDate() + 1);
    const end = new Date(day);
    if (n.toH <= n.fromH) end.setDate(end.getDate() + 1);
    end.setHours(n.toH, 0, 0, 0);
    known.push({ from: day.getTime(), to: end.getTime() });
  }
  return known.filter((x) => x.to > from && x.from < to);
}

/** Width that a cure goes by, of what was laid or will be. */
export const cureKindOf = (job: Pick<JobState, 'bonded'>): CureKind => job.bonded?.cure ?? 'tape';

/** What the shop has seen of a liquid: how much slower than with both edges open it cures. */
export const edgesOf = (settings: Settings, liquidId: string | undefined): EdgeFactor =>
  liquidId ? edgeFactorFrom(settings.cureSeen.filter((s) => !s.out && s.liquid === liquidId)) : lawEdges;

/** The cure of a job: law, air, clocks and how far it is. */
export function cureOf(
  job: JointSeen & Pick<WholeJobSlice, 'airs'> & BondSlice & CureSlice,
  settings: Settings,
  now: number,
): JobCure {
  const kind = cureKindOf(job);
  const bondMm = Math.min(60, Math.max(0.3, job.bonded?.bondMm ?? job.bonded?.widthMm ?? job.bond.widthMm));
  const startAt = job.bonded ? (job.clampOn?.at ?? job.bonded.at) : null;
  const steps = climateOf(job, settings, startAt ?? now);
  const edges = edgesOf(settings, job.bonded?.itemId);
  const clocks = cureClocks(kind, bondMm, steps, edges);
  const s = startAt === null ? 0 : Math.max(0, (now - startAt) / 1e3);
  const progress = progressAt(kind, bondMm, steps, s);
  return {
    kind,
    bondMm,
    startAt,
    steps,
    edges,
    clocks,
    unlockS: unlocksOf(clocks, settings.cureBy),
    shareLow: shareDone(kind, progress, edges.high),
    shareHigh: shareDone(kind, progress, edges.low),
  };
}

/** When a mark unlocks, as an instant, by the shop's policy; null before it is closed. */
export const cureEnd = (c: JobCure, mark: CureMark): number | null =>
  c.startAt === null ? null : c.startAt + c.unlockS[mark] * 1e3;

/**
 * The clocks that a joint would have if it were closed now: one answer for intake, quote, schedule and promise.
 * @param closedBy tape, or the liquid that this shop has
 */
export function clocksAhead(
  job: JointSeen & Pick<WholeJobSlice, 'airs'> & CureSlice,
  settings: Settings,
  now: number,
  closedBy: 'tape' | 'bead',
): { kind: CureKind; bondMm: number; clocks: Record<CureMark, Range>; unlockS: Record<CureMark, number> } {
  const liquid = settings.liquids.find((l) => l.leftMl > 0 || l.tubes.length > 0) ?? settings.liquids[0];
  const kind: CureKind = closedBy === 'tape' ? 'tape' : (liquid?.cure ?? 'solvent');
  // a bead, and the lines over a whole area, as wide as is usual
  const bondMm = Math.max(
    0.3,
    closedBy === 'tape' ? job.bond.widthMm : Math.min(job.bond.widthMm, beadFigures.usualBondMm.value),
  );
  const clocks = cureClocks(kind, Math.min(60, bondMm), climateOf(job, settings, now), edgesOf(settings, liquid?.id));
  return { kind, bondMm, clocks, unlockS: unlocksOf(clocks, settings.cureBy) };
}

export { cureMarks };
