import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { airFilmMm, dryMargin, filmUm } from '@/core/alcohol/drying';
import { crumbRule, lastingShare, swallowedMm } from '@/core/clean/crumb';
import { coolC, dryWithinMm, methodsFor, scraperDeg, warmFromC, zoneStates, type ZoneState } from '@/core/clean/zones';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { ZoneNow } from '@/work/clean/cleanJob';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { listed, clock, length } from '@/words/units';
import type { Cleaning, Side } from './cleanCall';
import { Crumb } from './Crumb';
import { lackWords, methodWords, stateNames } from './words';
import { t } from '@/words/clean';

interface CleanBelowProps {
  job: JobState;
  units: Settings;
  now: number;
  frameC: number;
  c: Cleaning;
  setSide: (s: Side) => void;
  put: (z: ZoneNow, state: ZoneState) => NewEvent[];
  log: (list: readonly NewEvent[]) => Promise<unknown>;
}

/** Under the buttons: the side, each zone, the looks that are asked for, why. */
export function CleanBelow({ job, units, now, frameC, c, setSide, put, log }: CleanBelowProps) {
  const { side, facts, cool, zones, place, moist, crumbIn } = c;
  return (
    <View className="mt-2">
      {facts.cover ? (
        <Choice
          label={t('sideOfTheBond')}
          value={side}
          options={[
            { id: 'frame', name: t('frame') },
            { id: 'cover', name: t('back') },
          ]}
          onChange={setSide}
          hint={job.keepCover ? t('theBackGoesOnAgainSo') : t('aUsedPartHasOldGlue')}
        />
      ) : null}
      <Disclosure title={t('zonesOneByOne')} open={zones.length <= 12}>
        {zones.map((z) => (
          <Choice
            key={z.zone.index}
            label={
              z.zone.dry
                ? t('dryOnly', { index: z.zone.index + 1, zone: place(z.zone) })
                : `${z.zone.index + 1}, ${place(z.zone)}`
            }
            value={z.state}
            options={zoneStates
              .filter((s) => s !== 'wet' || (!z.zone.dry && moist && cool) || z.state === 'wet')
              .map((s) => ({ id: s, name: stateNames[s] }))}
            onChange={(s) => void log(put(z, s))}
            hint={
              z.dryAtMs !== null && now < z.dryAtMs
                ? t('dryIn', { dryAtMs: clock((z.dryAtMs - now) / 1e3) })
                : methodsFor(z.zone, z.state, frameC)
                    .map((m) => methodWords[m])
                    .join('; ')
            }
          />
        ))}
      </Disclosure>
      {job.keepCover ? (
        <Tick
          label={t('theOldRingStays')}
          note={t('onlyWhereItIsSetOnAgain')}
          on={job.prep.has('oldRingWhole')}
          onChange={(v) => void log([{ type: 'prep', item: 'oldRingWhole', done: v }])}
        />
      ) : null}
      {job.prep.has('crumbsGone') || job.prep.has('lensesBlown') ? null : (
        <View className="my-1">
          <Button
            label={t('noCrumbsLensesBlown')}
            onPress={() =>
              void log([
                { type: 'prep', item: 'crumbsGone', done: true },
                { type: 'prep', item: 'lensesBlown', done: true },
              ])
            }
          />
        </View>
      )}
      <Tick
        asked
        label={t('noCrumbsOnTheLedge')}
        on={job.prep.has('crumbsGone')}
        onChange={(v) => void log([{ type: 'prep', item: 'crumbsGone', done: v }])}
      />
      <Tick
        asked
        label={t('lensesBlownOff')}
        on={job.prep.has('lensesBlown')}
        onChange={(v) => void log([{ type: 'prep', item: 'lensesBlown', done: v }])}
      />
      <Tick
        label={t('lookedOverAtAGlancingAngle')}
        on={job.prep.has('glanced')}
        onChange={(v) => void log([{ type: 'prep', item: 'glanced', done: v }])}
      />
      <Crumb input={crumbIn} units={units} />
      <Link href={`/jobs/${job.id}/alcohol` as Href} className="font-body text-m text-ink underline py-2">
        {t('alcoholWhenHowMuchAir')}
      </Link>
      <CleanWhy job={job} units={units} frameC={frameC} c={c} />
    </View>
  );
}

/** What the call stands on. */
function CleanWhy({ job, units, frameC, c }: Pick<CleanBelowProps, 'job' | 'units' | 'frameC' | 'c'>) {
  const { facts, bead, crumbIn, crumbMm } = c;
  return (
    <Why
      job={job}
      call="clean"
      inputs={{ zones: facts.frame.map((z) => z.state), frameC }}
      computed={{ tape: facts.tape, liquid: facts.liquid, crumbMm }}
      notes={[
        t('forTapeForABead', {
          list: facts.tape.length ? listed(facts.tape.map((l) => lackWords[l])) : t('nothingMissing'),
          list2: facts.liquid.length ? listed(facts.liquid.map((l) => lackWords[l])) : t('nothingMissing'),
        }),
        t('aFilmThatDoesNotRub'),
        bead
          ? t('theStressOverACrumbIs', { crumbIn: length(swallowedMm(crumbIn), units, 2) })
          : t('theStressOverACrumbIs2', { crumbIn: length(swallowedMm(crumbIn), units, 2) }),
      ]}
      rows={[
        rowOf(t('dryOnlyWithin'), dryWithinMm, 'mm'),
        rowOf(t('coolEnough'), coolC, '°C'),
        rowOf(t('oldGlueRollsOffFrom'), warmFromC, '°C'),
        rowOf(t('crumbs'), crumbRule, ''),
        rowOf(t('glassUnderLastingStress'), lastingShare, '×'),
        rowOf(t('filmThatAWipeLeaves'), filmUm, 'µm'),
        rowOf(t('stillAirOverIt'), airFilmMm, 'mm'),
        rowOf(t('dryingSlowedByItsOwnCooling'), dryMargin, '×'),
        rowOf(t('scraperOnSoftMetal'), scraperDeg.soft, '°'),
      ]}
    />
  );
}
