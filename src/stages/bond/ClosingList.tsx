import { View } from 'react-native';

import type { Closing } from '@/core/bond/closing';
import { squeezeOutOf } from '@/core/bond/squeezeOut';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { IntakeSlice } from '@/model/stages/intake';
import { useActions, type Actions } from '@/bench-kit/actions';
import { FunctionList } from '@/bench-kit/FunctionList';
import { PhotosSection } from '@/bench-kit/PhotosSection';
import { failsOpen, propFor, testsBeforeClosing, type Prop } from '@/work/check/beforeClosing';
import { edgeName } from '@/words/placeNames';
import { told } from '@/words/told';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { missingMark } from '@/ui/missing';
import { Txt } from '@/ui/Txt';
import { clock, length, listed } from '@/words/units';
import { closingText } from './bondCall';
import type { BeadWork } from '@/work/bond/beadWork';
import { t } from '@/words/bond';
import { functionName } from '@/words/functions';

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
      <AllBefore job={job} />
      <Tick asked label={t('lensesBlownOffOnceMore')} {...tick('blownClosing')} />
      <Tick asked label={t('photoOfTheOpenInsideOr')} note={t('showsLaterWhatWasInThere')} {...tick('photoClosing')} />
      <Disclosure title={t('photos', { n: job.photos.length })}>
        <PhotosSection job={job} />
      </Disclosure>
      <TestBefore job={job} />
    </View>
  );
}

/** All of it at once, for who has done it: blown off, no photo wanted, and the few functions work. */
function AllBefore({ job }: { job: JobState }) {
  const { log } = useActions(job);
  const tests = testsBeforeClosing(job);
  const open = tests.filter((fn) => !job.functions.open[fn]);
  const left = (['blownClosing', 'photoClosing'] as const).filter((item) => !job.prep.has(item));
  const tested = !tests.length || job.prep.has('closedTest');
  if (left.length + Number(!tested) < 2 || failsOpen(job).length) return null;
  return (
    <View className="my-1" {...missingMark(true)}>
      <Button
        onward
        label={tests.length ? t('allOfThisDoneAndWorks') : t('allOfThisDone')}
        onPress={() =>
          void log([
            ...left.map((item) => ({ type: 'prep' as const, item, done: true })),
            ...(tested
              ? []
              : [
                  ...open.map((fn) => ({
                    type: 'function' as const,
                    phase: 'open' as const,
                    fn,
                    result: 'ok' as const,
                  })),
                  { type: 'prep' as const, item: 'closedTest' as const, done: true },
                ]),
          ])
        }
      />
    </View>
  );
}

/** How the cover lies while the device is tried with its cables on. */
function propText(prop: Prop, units: Settings): string {
  switch (prop.how) {
    case 'aside':
      return t('propAside');
    case 'flat':
      return t('propFlat', { cable: told(prop.cable), mm: length(prop.mm, units, 0) });
    default: {
      const at = { cable: told(prop.cable), edge: edgeName(prop.edge), deg: Math.round(prop.deg) };
      return prop.how === 'upright' ? t('propUpright', at) : t('propTilted', at);
    }
  }
}

/** Tried once more while it can still be reached: the few functions that this work puts at risk. */
function TestBefore({ job }: { job: JobState }) {
  const settings = useSettings();
  const { log } = useActions(job);
  const tests = testsBeforeClosing(job);
  const failing = failsOpen(job);
  const open = tests.filter((fn) => !job.functions.open[fn]);
  const put = (result: 'ok' | 'untested') => {
    const e = { type: 'function' as const, phase: 'open' as const, result };
    void log([...open.map((fn) => ({ ...e, fn })), { type: 'prep', item: 'closedTest', done: true }]);
  };
  const done = (yes: boolean) => (yes ? put('ok') : void log([{ type: 'prep', item: 'closedTest', done: false }]));
  const untried = tests.some((fn) => job.functions.open[fn] === 'untested');
  return tests.length ? (
    <View className="mt-2">
      <Txt strong>{t('testBeforeClosing')}</Txt>
      <Txt size="s">{propText(propFor(job), settings)}</Txt>
      <Tick
        label={
          failing.length
            ? t('testedSomeFail', { list: listed(failing.map(functionName)) })
            : untried && !open.length
              ? t('triedAsFarAsItGoes')
              : t('allOfTheseWork')
        }
        note={listed(tests.map(functionName))}
        asked
        on={job.prep.has('closedTest')}
        onChange={done}
      />
      {job.prep.has('closedTest') || !open.length ? null : (
        <Button kind="small" label={t('cannotBeTriedNow')} onPress={() => put('untested')} />
      )}
      <Disclosure title={t('oneByOneOrSomethingFails')}>
        <FunctionList job={job} phase="open" short={false} only={tests} />
      </Disclosure>
    </View>
  ) : null;
}

/** What comes while it closes and right after, in the order of the work. */
export function ClosingList({ job, closing, bead, awake }: ClosingListProps) {
  const settings = useSettings();
  const { log } = useActions(job);
  const tick = ticks(job, log);
  const flow = bead?.squeeze.timeS;
  const peel = bead !== null && squeezeOutOf(bead.liquid) === 'dry';
  return (
    <View className="mb-2">
      <Txt strong className="mt-2">
        {t('closing')}
      </Txt>
      <Txt size="s">{closingText(closing)}</Txt>
      <Txt size="s">{t('pressWithAClothFromThere')}</Txt>
      {bead ? (
        <>
          <Txt size="s">
            {flow === null
              ? t('thisGlueStopsByItselfAt', {
                  stopMm: length(bead.squeeze.stopMm, settings, 2),
                  gapMm: length(bead.gapMm, settings, 2),
                })
              : t('itFlowsForTheFramesLedge', {
                  flow: flow! < 1 ? t('lessThanASecond') : clock(flow!),
                  gapMm: length(bead.gapMm, settings, 2),
                })}
          </Txt>
          <Txt size="s">
            {bead.bead.outMm > 0
              ? peel
                ? t('comesOutPeelWhenDry', { outMm: length(bead.bead.outMm, settings, 2) })
                : t('comesOutWipeAtOnce', { outMm: length(bead.bead.outMm, settings, 2) })
              : t('nothingComesOut')}
          </Txt>
        </>
      ) : null}
      <Tick label={t('pressedAllRound')} {...tick('pressedRound')} />
      {bead && !peel ? <Tick label={t('squeezedOutGlueWipedOff')} {...tick('squeezeWiped')} /> : null}
      <Tick label={t('lookedAlongTheSurface')} note={t('anyBumpSomethingIsTrappedOpen')} {...tick('lookedAlong')} />
      {awake === 'refused' ? (
        <Txt size="s" tone="caution">
          {t('thisBrowserDoesNotKeepThe')}
        </Txt>
      ) : null}
    </View>
  );
}
