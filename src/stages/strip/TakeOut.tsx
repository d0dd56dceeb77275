import { type ReactNode } from 'react';

import type { JobState } from '@/model/fold';
import { StageShell } from '@/bench-kit/StageShell';
import { type StripWork } from '@/work/strip/stripJob';
import { saveSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { length } from '@/words/units';
import type { StripPhase } from './StripStage';
import { SeeInside, StripLinks } from './StripLinks';
import { useTakeOut } from './useTakeOut';
import {
  TakeOutPicture,
  TakeOutReadings,
  TakeOutSide,
  ThisStep,
  ToComeOut,
  AllSteps,
  TakeOutWhy,
} from './TakeOutParts';
import { t } from '@/words/strip';

export const stripCaution = () => t('wristStrapOnBatteryUnpluggedFirst');

/** One thing after the other comes off; screws hole by hole into their cells. */
export function TakeOut(p: { job: JobState; work: StripWork; tabs: ReactNode; onPhase: (p: StripPhase) => void }) {
  const here = useTakeOut(p);
  const { job, now, work, act, text, label, tabs, log, settings, units } = here;
  return (
    <StageShell
      job={job}
      stage="strip"
      now={now}
      caution={stripCaution()}
      picture={(size) => <TakeOutPicture here={here} size={size} />}
      call={<Call {...text} />}
      readings={<TakeOutReadings here={here} />}
      main={
        <Button
          kind="main"
          label={label}
          onPress={act}
          disabled={work.removal === null}
          {...(work.removal === null ? { why: t('theOrderGoesInACircle') } : {})}
        />
      }
      side={<TakeOutSide here={here} />}
    >
      {tabs}
      <Tick
        label={t('wristStrapOnGrounded')}
        on={job.prep.has('strapOn')}
        onChange={(v) => void log([{ type: 'prep', item: 'strapOn', done: v }])}
      />
      <SeeInside job={job} />
      <ThisStep here={here} />
      <ToComeOut here={here} />
      <AllSteps here={here} />
      <Tick
        label={t('sayTheCountsAloud')}
        on={settings.spoken}
        onChange={(spoken) => void saveSettings({ ...settings, spoken })}
      />
      <StripLinks job={job} />
      <TakeOutWhy here={here} />
      <Txt size="s" tone="ink2" className="mt-1">
        {t('screwsInFromTheirPlaceOn', {
          totalMm: length(work.tray.totalMm / Math.max(1, work.groups.length), units, 0),
        })}
      </Txt>
    </StageShell>
  );
}
