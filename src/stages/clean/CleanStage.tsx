import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';

import { coolC, type ZoneState } from '@/core/clean/zones';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import type { ZoneNow } from '@/work/clean/cleanJob';
import { StageShell } from '@/bench-kit/StageShell';
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

const caution =
  'Alcohol is flammable: plate and every other heat source off and away before a wipe is wet, air the room. Splinters: brush and tape, no bare hand. Dust of glue and glass: wet or masked. Wipes go to the solvent waste.';

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
  const { dirty, otherDirty, toLookAt, wet, lacks, moist, cool } = c;
  const put = (z: ZoneNow, state: ZoneState): NewEvent[] => [
    { type: 'cleanZone', on: side, index: z.zone.index, state, tC: Math.round(Math.min(heat.frameC, 199) * 10) / 10 },
    ...(state !== 'glass' ? z.shards.map((markId): NewEvent => ({ type: 'glassGone', markId })) : []),
  ];
  const main = ((): { label: string; act: () => void; why: string | null } => {
    if (dirty?.state === 'glass')
      return { label: `${dirty.zone.index + 1}: glass is out`, act: () => void log(put(dirty, 'residue')), why: null };
    if (dirty)
      return { label: `${dirty.zone.index + 1} is wiped dry`, act: () => void log(put(dirty, 'dry')), why: null };
    if (otherDirty)
      return {
        label: side === 'frame' ? 'Now the cover' : 'Back to the frame',
        act: () => setSide(side === 'frame' ? 'cover' : 'frame'),
        why: null,
      };
    if (toLookAt.length && !wet.length)
      return {
        label: 'All bare at a glance',
        act: () =>
          void log([...toLookAt.flatMap((z) => put(z, 'inspected')), { type: 'prep', item: 'glanced', done: true }]),
        why: null,
      };
    const first = lacks.find((l) => l !== 'crumbs' && l !== 'lenses') ?? lacks[0];
    return { label: 'Clean and cool', act: () => goOn(), why: first ? lackWords[first] : null };
  })();
  const wipe = dirty && dirty.state === 'residue' && !dirty.zone.dry;
  return (
    <StageShell
      job={job}
      stage="clean"
      now={now}
      caution={caution}
      onMain={main.why ? undefined : main.act}
      picture={(size) => <CleanPicture job={job} size={size} c={c} path={heat.path} />}
      call={<Call {...cleanCall(job, c, heat, settings, now)} />}
      readings={<CleanReadings c={c} heat={heat} units={settings} />}
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
            <Button label={`${dirty.zone.index + 1} wiped wet`} onPress={() => void log(put(dirty, 'wet'))} />
          ) : (
            <Button label="Alcohol" onPress={() => router.push(`/jobs/${job.id}/alcohol` as Href)} />
          )
        ) : undefined
      }
    >
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
          label: `zones bare on the ${side}`,
          tone: bare < zones.length ? 'ink' : 'go',
        },
        {
          id: 'cool',
          value: `${tempNumber(heat.frameC, units)}°`,
          label: `frame, at most. Alcohol and tape below ${tempNumber(coolC.value, units)}°${heat.heatedHere ? '' : ' (not heated here)'}`,
          tone: cool ? 'go' : 'caution',
        },
        {
          id: 'crumb',
          value: length(crumbMm, units, 2),
          label: `highest crumb the glass bears for months under ${bead ? 'a bead' : 'tape'}`,
        },
        {
          id: 'for',
          value: facts.tape.length ? (facts.liquid.length ? 'no' : 'bead') : 'tape, bead',
          label: facts.tape.length
            ? `clean enough for. ${capital(lackWords[(facts.liquid[0] ?? facts.tape[0])!])}`
            : 'clean enough for',
          tone: facts.tape.length ? 'ink' : 'go',
        },
      ]}
    />
  );
}
