import { View } from 'react-native';

import type { Closing } from '@/core/bond/closing';
import type { JobState } from '@/model/fold';
import type { IntakeSlice } from '@/model/stages/intake';
import { useActions, type Actions } from '@/bench-kit/actions';
import { PhotosSection } from '@/bench-kit/PhotosSection';
import { useSettings } from '@/store/shop';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { clock, length } from '@/words/units';
import { closingText } from './bondCall';
import type { BeadWork } from '@/work/bond/beadWork';
import { t } from '@/words/bond';

interface ClosingListProps {
  job: JobState;
  closing: Closing;
  bead: BeadWork | null;
  awake: 'held' | 'refused' | 'off';
}

type Item = 'blownClosing' | 'photoClosing' | 'pressedRound' | 'squeezeWiped' | 'lookedAlong';

const ticks = (job: Pick<IntakeSlice, 'prep'>, log: Actions['log']) => (item: Item) => ({
  on: job.prep.has(item),
  onChange: (done: boolean) => void log([{ type: 'prep', item, done }]),
});

/** What comes before it closes: nothing closes without it. */
export function BeforeClosing({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const tick = ticks(job, log);
  return (
    <View className="mb-2">
      <Txt strong className="mt-1">
        {t('beforeItCloses')}
      </Txt>
      <Tick label={t('lensesBlownOffOnceMore')} {...tick('blownClosing')} />
      <Tick label={t('photoOfTheOpenInsideOr')} note={t('showsLaterWhatWasInThere')} {...tick('photoClosing')} />
      <Disclosure title={t('photos', { length: job.photos.length })}>
        <PhotosSection job={job} />
      </Disclosure>
    </View>
  );
}

/** What comes while it closes and right after, in the order of the work. */
export function ClosingList({ job, closing, bead, awake }: ClosingListProps) {
  const settings = useSettings();
  const { log } = useActions(job);
  const tick = ticks(job, log);
  const flow = bead?.squeeze.timeS;
  return (
    <View className="mb-2">
      <Txt strong className="mt-2">
        {t('closing')}
      </Txt>
      <Txt size="s">{closingText(closing)}</Txt>
      <Txt size="s">{t('pressWithAClothFromThere')}</Txt>
      {bead ? (
        <Txt size="s">
          {flow === null
            ? bead.bead.outMm > 0
              ? t('thisGlueStopsByItselfAt', {
                  stopMm: length(bead.squeeze.stopMm, settings, 2),
                  gapMm: length(bead.gapMm, settings, 2),
                  outMm: length(bead.bead.outMm, settings, 2),
                })
              : t('thisGlueStopsByItselfAt2', {
                  stopMm: length(bead.squeeze.stopMm, settings, 2),
                  gapMm: length(bead.gapMm, settings, 2),
                })
            : bead.bead.outMm > 0
              ? t('itFlowsForTheFramesLedge', {
                  flow: flow! < 1 ? t('lessThanASecond') : clock(flow!),
                  gapMm: length(bead.gapMm, settings, 2),
                  outMm: length(bead.bead.outMm, settings, 2),
                })
              : t('itFlowsForTheFramesLedge2', {
                  flow: flow! < 1 ? t('lessThanASecond') : clock(flow!),
                  gapMm: length(bead.gapMm, settings, 2),
                })}
        </Txt>
      ) : null}
      <Tick label={t('pressedAllRound')} {...tick('pressedRound')} />
      {bead ? <Tick label={t('squeezedOutGlueWipedOff')} {...tick('squeezeWiped')} /> : null}
      <Tick label={t('lookedAlongTheSurface')} note={t('anyBumpSomethingIsTrappedOpen')} {...tick('lookedAlong')} />
      {awake === 'refused' ? (
        <Txt size="s" tone="caution">
          {t('thisBrowserDoesNotKeepThe')}
        </Txt>
      ) : null}
    </View>
  );
}
