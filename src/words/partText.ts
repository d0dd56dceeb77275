import { adhesiveRecord } from '@/core/adhesives';
import { flushStack, partTolerance, ringGap, sideGap, type StackUp } from '@/core/fit/tolerance';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { digits, length } from './units';
import { t as tr } from '@/words/common';

type Units = Pick<Settings, 'temperature' | 'length'>;
type What = EventOf<'partMeasured'>['what'];

export const partNames: Record<What, string> = {
  get width() {
    return tr('widthOfTheGlass');
  },
  get height() {
    return tr('heightOfTheGlass');
  },
  get thickness() {
    return tr('thicknessOfTheGlass');
  },
  get lensHole() {
    return tr('cameraHoleAndRing');
  },
};

function gapText(s: StackUp, what: string, u: Units): string {
  const mean = tr('ofGapOnEachSide', { what, mean: length(s.mean, u, 2) });
  switch (s.verdict) {
    case 'safe':
      return tr('itGoesInWhateverTheTolerances', { mean });
    case 'likely':
      return tr('itVeryLikelyGoesIn', { mean });
    case 'usual':
      return tr('itUsuallyGoesIn', { mean });
    default:
      return s.mean <= 0
        ? tr('tooBigItDoesNotGo', { mean })
        : tr('measureThePartsWouldBeToo', { mean, pBelow: Math.round(100 * (s.pBelow + s.pAbove)) });
  }
}

/** What the stack of tolerances says about how proud the glass stands. */
function flushText(old: number, own: number, job: Pick<JobState, 'bond'>, u: Units): string {
  const tape = adhesiveRecord('cutTape').joint!;
  // pressed to the middle of what foam is pressed to, against what the model says was there
  const pressed = tape.thicknessMm.value * (1 - (tape.compressMin.value + tape.compressMax.value) / 2);
  const s = flushStack(old, own, pressed, job.bond.gapMm);
  const step =
    s.mean >= 0
      ? tr('standsHighOnNewTapeUsually', {
          mean: length(Math.abs(s.mean), u, 2),
          rss: length(s.rss[0], u, 2),
          rss2: length(s.rss[1], u, 2),
        })
      : tr('standsLowOnNewTapeUsually', {
          mean: length(Math.abs(s.mean), u, 2),
          rss: length(s.rss[0], u, 2),
          rss2: length(s.rss[1], u, 2),
        });
  return s.verdict === 'measureTheParts'
    ? tr('aFingerWouldNotice', { step, pBelow: Math.round(100 * (s.pBelow + s.pAbove)) })
    : tr('noFingerNoticesIt', { step });
}

function ringText(m: { oldMm: number; newMm: number }, u: Units): string {
  const g = ringGap(m.newMm, m.oldMm);
  return g.touches
    ? tr('theNewHoleDoesNotGo')
    : tr('theRingMayStayOfGap', { minMm: length(g.minMm, u, 2), figure: digits(g.areaMm2) });
}

/** What a measured size of the new part means against the old one and the frame. */
export function partText(job: JobState, what: What, units: Units): string | null {
  const m = job.measured[what];
  if (!m) return null;
  if (what === 'lensHole') return ringText(m, units);
  if (what === 'thickness') return flushText(m.oldMm, m.newMm, job, units);
  const t = partTolerance.measured.value;
  return gapText(sideGap(m.oldMm + 2 * job.face.cover.insetToFrameMm, m.newMm, t, t), partNames[what], units);
}
