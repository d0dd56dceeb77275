import { adhesiveRecord } from '@/core/adhesives';
import { flushStack, partTolerance, ringGap, sideGap, type StackUp } from '@/core/fit/tolerance';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { length } from './units';

type Units = Pick<Settings, 'temperature' | 'length'>;
type What = EventOf<'partMeasured'>['what'];

export const partNames: Record<What, string> = {
  width: 'Width of the glass',
  height: 'Height of the glass',
  thickness: 'Thickness of the glass',
  lensHole: 'Camera hole and ring',
};

function gapText(s: StackUp, what: string, u: Units): string {
  const mean = `${what}: ${length(s.mean, u, 2)} of gap on each side`;
  switch (s.verdict) {
    case 'safe':
      return `${mean}, goes in whatever the tolerances do.`;
    case 'likely':
      return `${mean}, very likely goes in.`;
    case 'usual':
      return `${mean}, usually goes in.`;
    default:
      return s.mean <= 0
        ? `${mean}: too big, it does not go in.`
        : `${mean}: measure the parts, ${Math.round(100 * (s.pBelow + s.pAbove))} % would be too tight or too wide.`;
  }
}

/** What the stack of tolerances says about how proud the glass stands. */
function flushText(old: number, own: number, job: Pick<JobState, 'bond'>, u: Units): string {
  const tape = adhesiveRecord('cutTape').joint!;
  // pressed to the middle of what foam is pressed to, against what the model says was there
  const pressed = tape.thicknessMm.value * (1 - (tape.compressMin.value + tape.compressMax.value) / 2);
  const s = flushStack(old, own, pressed, job.bond.gapMm);
  const step = `Stands ${length(Math.abs(s.mean), u, 2)} ${s.mean >= 0 ? 'proud' : 'low'} on new tape, ${length(s.rss[0], u, 2)} to ${length(s.rss[1], u, 2)} usual`;
  return s.verdict === 'measureTheParts'
    ? `${step}: ${Math.round(100 * (s.pBelow + s.pAbove))} % would be outside what is felt.`
    : `${step}: within what is felt.`;
}

function ringText(m: { oldMm: number; newMm: number }, u: Units): string {
  const g = ringGap(m.newMm, m.oldMm);
  return g.touches
    ? 'The new hole does not go over the old ring.'
    : `The ring may stay: ${length(g.minMm, u, 2)} of gap all round when centred, ${g.areaMm2.toFixed(0)} mm² to close against dust.`;
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
