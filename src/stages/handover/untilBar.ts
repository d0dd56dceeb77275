import { cureOf } from '@/work/cure/cureJob';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { day, dayTime } from '@/words/units';
import { t } from '@/words/handover';

export interface UntilPart {
  /** share of the bar, 0 to 1; all of them together are 1 */
  share: number;
  kind: 'careful' | 'usual' | 'full';
  text: string;
  /** instant at which it ends; null: it does not */
  until: string | null;
}

export interface UntilBar {
  parts: UntilPart[];
  /** the same as a sentence */
  said: string;
}

/** Up to so far ahead an instant is told by the hour. */
const byHourMs = 24 * 3_600_000;
/** A day begins at this hour for whoever is told one. */
const morningH = 9;

/** An instant as a customer keeps it: by the hour within a day, else the first day on which it is so from the morning on. */
export function fromWhen(at: number, now: number): string {
  if (at - now <= byHourMs) return dayTime(at, now);
  const d = new Date(at);
  if (d.getHours() >= morningH) d.setDate(d.getDate() + 1);
  return day(d.getTime());
}

/** What is not much shorter than a word needs room for it. */
const leastShare = 0.24;
/** The full bond has no end: it is drawn this wide. */
const fullShare = 0.26;

/**
 * What may be done when, as a bar: careful while the bond is young, as usual while it gains, and then fully bonded. Lengths in step with
 * time as far as words leave room. Null: nothing was closed, or it is fully bonded already.
 */
export function untilBar(
  job: JobState,
  settings: Settings,
  fromAt: number,
): { parts: UntilPart[]; said: string } | null {
  const start = job.clampOn?.at ?? job.bonded?.at;
  if (start === undefined) return null;
  const { clocks } = cureOf(job, settings, fromAt);
  const careful = start + clocks.sealTest.high * 1e3;
  const full = Math.max(careful, start + clocks.full.high * 1e3);
  if (full <= fromAt) return null;
  const first = Math.max(0, careful - fromAt);
  const second = full - Math.max(careful, fromAt);
  const raw = first / (first + second);
  const room = 1 - fullShare;
  const carefulShare = first === 0 ? 0 : room * Math.min(1 - leastShare, Math.max(leastShare, raw));
  const untilCareful = fromWhen(careful, fromAt);
  const untilFull = fromWhen(full, fromAt);
  // told the same day, both end together
  const together = carefulShare > 0 && untilCareful === untilFull;
  const all: UntilPart[] = [
    { share: together ? room : carefulShare, kind: 'careful', text: t('careful'), until: untilCareful },
    { share: together ? 0 : room - carefulShare, kind: 'usual', text: t('asUsual'), until: untilFull },
    { share: fullShare, kind: 'full', text: t('fullBondFrom'), until: null },
  ];
  return {
    parts: all.filter((p) => p.share > 0),
    said: t('barSaid', { careful: fromWhen(Math.max(careful, fromAt), fromAt), full: fromWhen(full, fromAt) }),
  };
}
