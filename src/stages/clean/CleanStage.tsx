import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { coolC, type ZoneState } from '@/core/clean/zones';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import type { ZoneNow } from '@/work/clean/cleanJob';
import { StageShell } from '@/bench-kit/StageShell';
import { hrefAt } from '@/bench-kit/stageHref';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Readings } from '@/ui/Readings';
import { length, tempNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { CleanBelow } from './CleanBelow';
import { cleanCall, cleaning, type Cleaning, type Side } from './cleanCall';
import { CleanPicture } from './CleanPicture';
import { useFrameHeat, type FrameHeat } from './useFrameHeat';
import { lackWords } from './words';
import { t } from '@/words/clean';

const caution = () => t('alcoholBurnsPlateAndEveryOther');

/** From soft residue to a bare frame: zone by zone, dry near cameras, cool before anything wet. */
export function CleanStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(1000);
  const router = useRouter();
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'clean');
  const [side, setSide] = useState<Side>('frame');
  const heat = useFrameHeat(job, settings, now);
  const c = cleaning(job, settings, now, side, heat);
  const { dirty, otherDirty, toLookAt, otherToLookAt, wet, lacks, moist, cool } = c;
  const put = (z: ZoneNow, state: ZoneState, on: Side = side): NewEvent[] => [
    { type: 'cleanZone', on, index: z.zone.index, state, tC: Math.round(Math.min(heat.frameC, 199) * 10) / 10 },
    ...(state !== 'glass' ? z.shards.map((markId): NewEvent => ({ type: 'glassGone', markId })) : []),
  ];
  // somebody opened this page by hand while it still lies there: nothing is wiped on a hot heater
  const on = onPlate(job) !== null;
  const main = ((): { label: string; act: () => void; why: string | null } => {
    if (on) return { label: t('backToHeat'), act: () => router.replace(hrefAt(job, 'heat')), why: null };
    if (dirty?.state === 'glass')
      return {
        label: t('glassIsOut', { index: dirty.zone.index + 1 }),
        act: () => void log(put(dirty, 'residue')),
        why: null,
      };
    if (dirty)
      return {
        label: t('wipedDry', { index: dirty.zone.index + 1 }),
        act: () => void log(put(dirty, 'dry')),
        why: null,
      };
    if (otherDirty)
      return {
        label: side === 'frame' ? t('nowTheBack') : t('backToTheFrame'),
        act: () => setSide(side === 'frame' ? 'cover' : 'frame'),
        why: null,
      };
    if (toLookAt.length + otherToLookAt.length && !wet.length)
      return {
        label: t('allCleanAtAGlance'),
        act: () =>
          void log([
            ...toLookAt.flatMap((z) => put(z, 'inspected')),
            ...otherToLookAt.flatMap((z) => put(z, 'inspected', side === 'frame' ? 'cover' : 'frame')),
            { type: 'prep', item: 'glanced', done: true },
          ]),
        why: null,
      };
    const first = lacks.find((l) => l !== 'crumbs' && l !== 'lenses') ?? lacks[0];
    return { label: t('cleanAndCool'), act: () => goOn(), why: first ? lackWords[first] : null };
  })();
  // one tap when all of it is wiped; zone by zone where something is left
  const residue = dirty ? c.zones.filter((z) => z.state === 'residue') : [];
  const wipe = !on && dirty && dirty.state === 'residue' && !dirty.zone.dry;
  return (
    <StageShell
      job={job}
      stage="clean"
      now={now}
      caution={caution()}
      picture={(size) => <CleanPicture job={job} size={size} c={c} path={heat.path} />}
      call={
        <Call
          {...(on
            ? { sentence: t('stillOnTheHeat'), reason: t('nothingIsWipedOnHeat'), tone: 'caution' as const }
            : cleanCall(job, c, heat, settings, now))}
        />
      }
      readings={<CleanReadings c={c} heat={heat} units={settings} />}
      controls={
        !on && residue.length > 1 && dirty?.state !== 'glass' ? (
          <View className="mt-2">
            <Button
              onward
              label={t('allWipedDry', { count: residue.length })}
              onPress={() => void log(residue.flatMap((z) => put(z, 'dry')))}
            />
          </View>
        ) : null
      }
      main={
        <Button
          kind="main"
          label={main.label}
          onPress={main.act}
          disabled={main.why !== null}
          {...(main.why ? { why: main.why } : {})}
        />
      }
      side={
        wipe ? (
          moist && cool ? (
            <Button
              label={t('wipedWithAlcohol', { index: dirty.zone.index + 1 })}
              onPress={() => void log(put(dirty, 'wet'))}
            />
          ) : (
            <Button label={t('alcohol')} onPress={() => router.push(`/jobs/${job.id}/alcohol` as Href)} />
          )
        ) : undefined
      }
    >
      {on ? null : (
        <CleanBelow
          job={job}
          units={settings}
          now={now}
          frameC={heat.frameC}
          c={c}
          setSide={setSide}
          put={put}
          log={log}
        />
      )}
    </StageShell>
  );
}

function CleanReadings({ c, heat, units }: { c: Cleaning; heat: FrameHeat; units: Settings }) {
  const { bare, zones, side, cool, bead, crumbMm, facts } = c;
  return (
    <Readings
      items={[
        {
          id: 'left',
          value: `${bare} / ${zones.length}`,
          label: t('zonesCleanOnThe', { side }),
          tone: bare < zones.length ? 'ink' : 'go',
        },
        {
          id: 'cool',
          value: `${tempNumber(heat.frameC, units)}°`,
          label: heat.heatedHere
            ? t('frameAtMostAlcoholAndTape', { value: tempNumber(coolC.value, units) })
            : t('frameAtMostAlcoholAndTape2', { value: tempNumber(coolC.value, units) }),
          tone: cool ? 'go' : 'caution',
        },
        {
          id: 'crumb',
          value: length(crumbMm, units, 2),
          label: bead ? t('highestCrumbTheGlassStandsFor') : t('highestCrumbTheGlassStandsFor2'),
        },
        {
          id: 'for',
          value: facts.tape.length ? (facts.liquid.length ? t('notYetClean') : t('bead')) : t('tapeBead'),
          label: facts.tape.length
            ? facts.liquid.length
              ? t('cleanEnough', { lack: capital(lackWords[facts.liquid[0]!]) })
              : t('cleanEnoughForThis', { lack: lackWords[facts.tape[0]!] })
            : t('cleanEnoughFor2'),
          tone: facts.tape.length ? 'ink' : 'go',
        },
      ]}
    />
  );
}
