import { adhesiveRecord } from '@/core/adhesives';
import { crumbLimitMm, type CrumbInput } from '@/core/clean/crumb';
import { coolC, methodsFor } from '@/core/clean/zones';
import { coverOf } from '@/core/device/perimeter';
import { jointOf } from '@/core/device/jointKinds';
import { coverStrengths } from '@/core/lift/strength';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { lacksOf, type ZoneNow } from '@/work/clean/cleanJob';
import { lensWork } from '@/work/lift/lensJob';
import { placeName } from '@/work/heat/placeNames';
import { capital } from '@/words/capital';
import { clock, length, temp } from '@/words/units';
import type { FrameHeat } from './useFrameHeat';
import { methodWords } from './words';

export type Side = 'frame' | 'cover';

/** Cleaning as it stands on one side of the bond: what is left, what it lacks, what a crumb would do. */
export function cleaning(job: JobState, settings: Settings, now: number, side: Side, heat: FrameHeat) {
  const units = settings;
  const { path, frameC, roomC } = heat;
  const facts = lacksOf(job, now, frameC, roomC);
  const cool = frameC <= coolC.value;
  const zones = side === 'cover' && facts.cover ? facts.cover : facts.frame;
  const place = (z: ZoneNow['zone']) =>
    z.stretch
      ? placeName(path, (z.stretch.fromMm + z.stretch.toMm) / 2)
      : jointOf(job.bond).band
        ? (lensWork(job).chosen[z.index]?.face.name ?? 'spot')
        : `middle, ${length(z.at[0], units, 0)} from the left, ${length(z.at[1], units, 0)} from the top`;

  const bead = job.route?.closedBy === 'bead';
  const lacks = bead ? facts.liquid : facts.tape;
  const dirty = zones.find((z) => z.state === 'glass') ?? zones.find((z) => z.state === 'residue') ?? null;
  const wet = zones.filter((z) => z.dryAtMs !== null && now < z.dryAtMs);
  const toLookAt = zones.filter((z) => z.state === 'dry' || z.state === 'wet');
  const bare = zones.filter((z) => z.state === 'inspected' || z.state === 'film').length;
  // a drop that was let through the interlock may be wiped with for ten minutes
  const moist = job.alcohol.some((a) => a.use === 'wipe' && now - a.at < 600_000);
  const otherDirty =
    facts.cover &&
    (side === 'frame' ? facts.cover : facts.frame).some((z) => z.state === 'residue' || z.state === 'glass');

  const cover = coverOf(job.device, job.bond);
  const crumbIn: CrumbInput = {
    cover: coverStrengths[cover.strength] ?? coverStrengths.glassPlain!,
    hMm: cover.hMm,
    flawUm: (coverStrengths[cover.strength] ?? coverStrengths.glassPlain!).flawUm.value,
    kNmm3: adhesiveRecord('cutTape').debond.kNmm3.value,
    ringMm: job.bond.widthMm,
    gapMm: job.bond.gapMm,
    joint: bead ? null : (adhesiveRecord('cutTape').joint ?? null),
  };
  const crumbMm = crumbLimitMm(crumbIn);
  return {
    side,
    facts,
    cool,
    zones,
    place,
    bead,
    lacks,
    dirty,
    wet,
    toLookAt,
    bare,
    moist,
    otherDirty,
    crumbIn,
    crumbMm,
  };
}

export type Cleaning = ReturnType<typeof cleaning>;

/** What is to be done next, and why. */
export function cleanCall(
  job: JobState,
  c: Cleaning,
  { frameC, coolInS }: FrameHeat,
  units: Settings,
  now: number,
): { sentence: string; reason: string; tone: 'ink' | 'caution' } {
  const { side, facts, cool, place, bead, lacks, dirty, wet, toLookAt, otherDirty, crumbMm } = c;
  if (dirty) {
    const how = methodsFor(dirty.zone, dirty.state, frameC).map((m) => methodWords[m]);
    return {
      sentence: `${dirty.zone.index + 1}, ${place(dirty.zone)}: ${dirty.state === 'glass' ? 'glass out' : 'residue off'}${dirty.zone.dry ? ', dry' : ''}.`,
      reason: `${capital(how.join('; '))}. ${dirty.zone.dry ? 'A droplet on a lens leaves haze.' : 'Over residue tape lifts months later.'}`,
      tone: 'ink',
    };
  }
  if (otherDirty)
    return {
      sentence: side === 'frame' ? 'The cover has its own residue.' : 'The frame is not clean yet.',
      reason:
        side === 'frame' ? 'It goes on again, so it is cleaned like the frame.' : 'Both sides of the new bond count.',
      tone: 'ink',
    };
  if (wet.length) {
    const till = Math.max(...wet.map((z) => z.dryAtMs!));
    return {
      sentence: `Dry in ${clock((till - now) / 1e3)}.`,
      reason: `${wet.length} ${wet.length === 1 ? 'zone is' : 'zones are'} wet. No heat, no adhesive before.`,
      tone: 'ink',
    };
  }
  if (toLookAt.length)
    return {
      sentence: 'Look along it at a glancing angle.',
      reason: `Light from the side, ${toLookAt.length} ${toLookAt.length === 1 ? 'zone' : 'zones'}: what shines is film, what throws a shadow is a crumb.`,
      tone: 'ink',
    };
  if (!job.prep.has('crumbsGone'))
    return {
      sentence: 'Look for crumbs along the ledge.',
      reason: `Over ${length(crumbMm, units, 2)} the new glass cracks under ${bead ? 'a bead' : 'tape'}. Common practice: a single crumb is enough.`,
      tone: 'ink',
    };
  if (!job.prep.has('lensesBlown'))
    return { sentence: 'Blow off the lenses.', reason: 'Lint under the glass shows in every picture.', tone: 'ink' };
  if (!cool)
    return {
      sentence: `Let it cool: ${clock(coolInS)} to ${temp(coolC.value, units)}.`,
      reason: 'Tape, alcohol and dry fit want a cool frame.',
      tone: 'ink',
    };
  if (lacks.includes('film'))
    return {
      sentence: 'Clean enough for a bead, not for tape.',
      reason:
        'A film that does not rub off bears liquid; tape lifts off it. Take the film off, or change the way of bonding.',
      tone: 'caution',
    };
  return {
    sentence: facts.tape.length ? 'Clean enough for a bead.' : 'Clean and cool: go on.',
    reason: facts.tape.length ? 'Not for tape: a film stays.' : 'Good for tape and for a bead.',
    tone: 'ink',
  };
}
