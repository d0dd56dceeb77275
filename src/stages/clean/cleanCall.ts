import { crumbLimitMm } from '@/core/clean/crumb';
import { coolC, methodsFor } from '@/core/clean/zones';
import { jointOf } from '@/core/device/jointKinds';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { crumbUnder, lacksOf, type ZoneNow } from '@/work/clean/cleanJob';
import { lensWork } from '@/work/lift/lensCovers';
import { placeName } from '@/words/placeNames';
import { capital } from '@/words/capital';
import { length, spoken, temp } from '@/words/units';
import type { FrameHeat } from './useFrameHeat';
import { methodWords } from './words';
import { t } from '@/words/clean';

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
        : t('middleFromTheLeftFromThe', { at: length(z.at[0], units, 0), at2: length(z.at[1], units, 0) });

  const bead = job.route?.closedBy === 'bead';
  const lacks = bead ? facts.liquid : facts.tape;
  const ringStays = job.prep.has('oldRingWhole');
  const dirty =
    zones.find((z) => z.state === 'glass') ?? (ringStays ? null : zones.find((z) => z.state === 'residue')) ?? null;
  const wet = zones.filter((z) => z.dryAtMs !== null && now < z.dryAtMs);
  const unseen = (list: readonly ZoneNow[]) => list.filter((z) => z.state === 'dry' || z.state === 'wet');
  const toLookAt = unseen(zones);
  // one glance goes over both sides of the bond; what is still wet there is looked at when it is dry
  const otherToLookAt = facts.cover
    ? unseen(side === 'frame' ? facts.cover : facts.frame).filter((z) => z.dryAtMs === null || now >= z.dryAtMs)
    : [];
  const bare = zones.filter((z) => z.state === 'inspected' || z.state === 'film').length;
  // a drop that was let through the interlock may be wiped with for ten minutes
  const moist = job.alcohol.some((a) => a.use === 'wipe' && now - a.at < 600_000);
  const otherDirty =
    facts.cover &&
    (side === 'frame' ? facts.cover : facts.frame).some(
      (z) => (z.state === 'residue' && !ringStays) || z.state === 'glass',
    );

  const crumbIn = crumbUnder(job);
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
    otherToLookAt,
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
  const { side, facts, cool, place, bead, lacks, dirty, wet, otherDirty, crumbMm } = c;
  const toLookAt = [...c.toLookAt, ...c.otherToLookAt];
  if (dirty) {
    const how = methodsFor(dirty.zone, dirty.state, frameC).map((m) => methodWords[m]);
    return {
      sentence:
        dirty.state === 'glass'
          ? dirty.zone.dry
            ? t('pickTheGlassOutDry', { index: dirty.zone.index + 1, zone: place(dirty.zone) })
            : t('pickTheGlassOut', { index: dirty.zone.index + 1, zone: place(dirty.zone) })
          : dirty.zone.dry
            ? t('takeTheOldGlueOffDry', { index: dirty.zone.index + 1, zone: place(dirty.zone) })
            : t('takeTheOldGlueOff', { index: dirty.zone.index + 1, zone: place(dirty.zone) }),
      reason: dirty.zone.dry
        ? t('aDropletOnALensLeaves', { list: capital(how.join('; ')) })
        : t('overOldGlueTapeLiftsMonths', { list: capital(how.join('; ')) }),
      tone: 'ink',
    };
  }
  if (otherDirty)
    return {
      sentence: side === 'frame' ? t('theBackHasOldGlueOf') : t('theFrameIsNotCleanYet'),
      reason: side === 'frame' ? t('itGoesOnAgainSoClean') : t('bothSidesOfTheNewBond'),
      tone: 'ink',
    };
  if (wet.length) {
    const till = Math.max(...wet.map((z) => z.dryAtMs!));
    return {
      sentence: t('dryIn2', { till: spoken((till - now) / 1e3) }),
      reason:
        wet.length === 1 ? t('zoneIsWetNoHeatAnd', { n: wet.length }) : t('zonesAreWetNoHeatAnd', { n: wet.length }),
      tone: 'ink',
    };
  }
  if (toLookAt.length)
    return {
      sentence: t('lookAlongItAtAGlancing'),
      reason:
        toLookAt.length === 1
          ? t('lightFromTheSideZoneWhat', { n: toLookAt.length })
          : t('lightFromTheSideZonesWhat', { count: toLookAt.length }),
      tone: 'ink',
    };
  if (!job.prep.has('crumbsGone'))
    return {
      sentence: t('lookForCrumbsAlongTheLedge'),
      reason: bead
        ? t('overTheNewGlassCracksOver', { crumbMm: length(crumbMm, units, 2) })
        : t('overTheNewGlassCracksOver2', { crumbMm: length(crumbMm, units, 2) }),
      tone: 'ink',
    };
  if (!job.prep.has('lensesBlown'))
    return { sentence: t('blowOffTheLenses'), reason: t('lintUnderTheGlassShowsIn'), tone: 'ink' };
  if (!cool)
    return {
      sentence: t('letItCoolTo', { coolInS: spoken(coolInS), value: temp(coolC.value, units) }),
      reason: t('tapeAlcoholAndDryFitWant'),
      tone: 'ink',
    };
  if (job.prep.has('oldRingWhole'))
    return { sentence: t('cleanRoundTheOldRing'), reason: t('nothingIsLaidOverIt'), tone: 'ink' };
  if (lacks.includes('film'))
    return {
      sentence: t('cleanEnoughForABeadNot'),
      reason: t('aFilmThatDoesNotRub2'),
      tone: 'caution',
    };
  return {
    sentence: facts.tape.length ? t('cleanEnoughForABead') : t('cleanAndCoolGoOn'),
    reason: facts.tape.length ? t('notForTapeAFilmStays') : t('goodForTapeAndForA'),
    tone: 'ink',
  };
}
