import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { cureEnd, type JobCure } from '@/work/cure/cureJob';
import { clock, dayTime, length, percent } from '@/words/units';
import type { HoldWay } from '@/work/cure/holdWays';

export interface CureText {
  sentence: string;
  reason: string;
  tone: 'ink' | 'caution';
}

type Units = Pick<Settings, 'temperature' | 'length'>;

/** How it is to be held, in one sentence and one reason. */
export function holdText(way: HoldWay, units: Units): CureText {
  if (way.clips)
    return {
      sentence: `${way.count} ${way.name}s, ${way.forceN} N each, every ${length(way.clips.spacingMm, units, 0)}.`,
      reason: `Even to ${percent(Math.max(0, way.clips.evenness))}, ${Math.round(way.clips.meanKPa)} kPa on the joint, ${way.clips.displayKPa.toFixed(1)} kPa over the display.`,
      tone: way.against.length ? 'caution' : 'ink',
    };
  if (way.spread?.kind === 'weight')
    return {
      sentence: `${way.spread.massKg.toFixed(1)} kg on a padded board.`,
      reason: `${Math.round(way.spread.bondKPa)} kPa on the joint, ${way.spread.faceKPa.toFixed(1)} kPa over the display. The board bears on the rim, not on the middle.`,
      tone: way.against.length ? 'caution' : 'ink',
    };
  if (way.spread)
    return {
      sentence: `Bag at ${way.spread.bagKPa.toFixed(1)} kPa.`,
      reason: `Even by itself: ${Math.round(way.spread.bondKPa)} kPa on the joint. It presses on the middle as well.`,
      tone: way.against.length ? 'caution' : 'ink',
    };
  return {
    sentence: 'Press by hand round the edge and weigh it down evenly.',
    reason: 'No figure stands behind this: what presses is not known.',
    tone: 'caution',
  };
}

export function cureText(job: JobState, cure: JobCure, way: HoldWay, now: number, units: Units): CureText {
  if (!job.bonded)
    return { sentence: 'Bond it first.', reason: 'The clock starts when it is closed and pressed.', tone: 'ink' };
  const start = job.clampOn?.at;
  if (start === undefined) {
    if (way.id === 'hand' || way.against.length === 0) return holdText(way, units);
    return {
      sentence: 'Nothing here holds this evenly.',
      reason: `${holdText(way, units).sentence} Against it: ${way.against.join(', ')}.`,
      tone: 'caution',
    };
  }
  const full = cureEnd(cure, 'full')!;
  if (job.clampOffAt !== null) {
    const early = job.effective.findLast((e) => e.type === 'clampOff');
    return {
      sentence: `Clamps are off. Full bond ${dayTime(full, now)}.`,
      reason: `No press or hold test before ${dayTime(cureEnd(cure, 'sealTest')!, now)}.${early?.type === 'clampOff' && early.early ? ' They came off early.' : ''}`,
      tone: 'ink',
    };
  }
  const due = cureEnd(cure, 'clampOff')!;
  const left = (due - now) / 1e3;
  const since = (now - start) / 1e3;
  if (left > 0)
    return {
      sentence: `Clamps off in ${clock(left)}.`,
      reason: `At ${dayTime(due, now)}, ${cure.unlockS.clampOff === cure.clocks.clampOff.high ? 'the latest time' : 'the usual time'}; early from ${clock(Math.max(0, cure.clocks.clampOff.low - since))}, at the latest in ${clock(Math.max(0, cure.clocks.clampOff.high - since))}.`,
      tone: 'ink',
    };
  return {
    sentence: 'Clamps may come off.',
    reason: `Since ${clock(-left)}. ${cure.kind === 'tape' ? `${percent(cure.shareHigh)} of the final bond.` : `${percent(cure.shareLow)} at least ${cure.kind === 'solvent' ? 'of the solvent has left' : 'of the width has cured'}.`}`,
    tone: 'ink',
  };
}
