import type { JobState } from '@/model/fold';
import { PartMatch } from '@/bench-kit/PartMatch';
import { StageShell } from '@/bench-kit/StageShell';
import { saveSettings } from '@/store/shop';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { CameraFit } from './CameraFit';
import { caution, useDryFitStage } from './useDryFitStage';
import { ShopEye } from '@/bench-kit/ShopEye';
import { DryFitPicture, DryFitReadings, DryFitControls, DryFitMain, DryFitSide, DryFitWhy } from './DryFitParts';
import { t } from '@/words/dryFit';

export function DryFitStage(p: { job: JobState }) {
  const here = useDryFitStage(p);
  const { job, now, text, settings, cameras, fit } = here;
  return (
    <StageShell
      job={job}
      stage="dryFit"
      now={now}
      caution={caution()}
      picture={(size) => <DryFitPicture here={here} size={size} />}
      call={<Call {...text} />}
      readings={<DryFitReadings here={here} />}
      controls={<DryFitControls here={here} />}
      main={<DryFitMain here={here} />}
      side={<DryFitSide here={here} />}
    >
      <Tick
        label={t('sayThePointsAloud')}
        on={settings.spoken}
        // a full storage keeps it until the page is closed
        onChange={(spoken) => void saveSettings({ ...settings, spoken }).catch(() => undefined)}
      />
      <CameraFit job={job} cameras={cameras} offsets={fit?.holeOffsetsMm ?? null} />
      <PartMatch job={job} />
      <ShopEye of="gap" />
      <DryFitWhy here={here} />
    </StageShell>
  );
}
