import { useMemo } from 'react';
import { View } from 'react-native';

import { breakScale, saveOrNew, savingChance, savingDefaults, scalePrior } from '@/core/lift/saving';
import type { LiftPlan } from '@/core/lift/plan';
import { judgement, type Range } from '@/core/source';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { liftState, type LiftState, type ThermalJob } from '@/work/heat/thermalJob';
import { useRest } from '@/bench-kit/usePicks';
import { WhyRows } from '@/bench-kit/Why';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { percent, price, span } from '@/words/units';
import { flawAt } from './ringWork';
import { t } from '@/words/lift';

export const coverCleanMin = judgement(6, 'old adhesive off a saved cover, min');

interface SavePanelProps {
  job: JobState;
  thermal: ThermalJob;
  lift: LiftState;
  arcsC: readonly Range[];
  rest: LiftPlan | null;
  setC: number;
  restS: number;
}

/** Saving the cover from now on: chance, cost, the moment to stop, and what ends it. */
export function SavePanel(p: SavePanelProps) {
  const { job } = p;
  const { log } = useActions(job);
  const writeOff = (why: EventOf<'writeOff'>['why'], note = '') => {
    const events = [
      { type: 'writeOff' as const, why, note },
      ...(why === 'printLayer'
        ? [{ type: 'finding' as const, kind: 'looseLayer' as const, answer: 'yes' as const }]
        : []),
    ];
    void log(events);
  };
  if (!job.keepCover)
    return job.writtenOff ? (
      <View className="border-t border-rule py-2" role="status">
        <Txt strong>{t('backWrittenOff')}</Txt>
        <Txt size="s">{t('youNeedANewOnePrice', { why: words[job.writtenOff.why] })}</Txt>
      </View>
    ) : null;
  return <Saving {...p} writeOff={writeOff} />;
}

const words: Record<EventOf<'writeOff'>['why'], string> = {
  get broke() {
    return t('itBroke2');
  },
  get printLayer() {
    return t('thePrintedLayerComesOffWith');
  },
  get cost() {
    return t('savingItWouldHaveCostMore');
  },
  get other() {
    return t('saidByHand');
  },
};

function Saving({
  job,
  thermal,
  lift,
  arcsC,
  rest,
  setC,
  restS,
  writeOff,
}: SavePanelProps & { writeOff: (why: EventOf<'writeOff'>['why'], note?: string) => void }) {
  const settings = useSettings();
  const jobs = useJobs();
  // the same ring when it is written off: what a new cover costs in time from here
  const fresh = useMemo(() => ({ ...job, keepCover: false }), [job]);
  const freshLift = useMemo(() => liftState(fresh, settings, thermal.path, thermal.arcs), [fresh, settings, thermal]);
  const freshPlan = useRest(fresh, settings, thermal, freshLift, setC, restS).data?.[0]?.plan ?? null;
  const saved = jobs.filter((j) => j.route?.cover === 'save' && j.id !== job.id);
  const scale = breakScale(
    saved.filter((j) => j.broke).length,
    saved.reduce((m, j) => m + j.hazard, 0),
  );
  const held = lift.order.map((i) => {
    const a = thermal.arcs[i]!;
    return {
      lengthMm: a.toMm - a.fromMm - job.cut.freeWithin({ fromMm: a.fromMm, toMm: a.toMm }),
      tC: Math.max(15, arcsC[i]!.mean),
      flawUm: flawAt(job, thermal.path.point((a.fromMm + a.toMm) / 2).at),
    };
  });
  const chance = savingChance({ lift: lift.case, held, easyC: lift.easyC, workC: lift.workC, scale: scale.mean });
  const item = job.face.side === 'front' ? 'display' : 'glass';
  const newMinor = settings.money.prices[job.device.kind]?.[`${item}.genuine`] ?? null;
  const minutes = (plan: LiftPlan | null) => (plan ? plan.totalS / 60 : 0);
  const choice =
    newMinor === null || !rest
      ? null
      : saveOrNew({
          chance: chance.careful,
          saveMin: minutes(rest) + coverCleanMin.value,
          newMin: minutes(freshPlan ?? rest),
          ratePerHour: settings.ratePerH * 100,
          newCost: newMinor,
          damageCost: settings.money.damageMinor,
          valueKept: 0,
        });
  const grips = job.effective.filter((e) => e.type === 'observed' && e.what === 'grips').length;
  return (
    <Disclosure title={t('saveOrWriteOffToBreak', { careful: percent(chance.careful) })}>
      <Txt
        size="s"
        testID="saving"
      >{`${t('fromHereIfYouReheatEvery', { careful: percent(chance.careful), forced: percent(chance.forced), next10: percent(chance.next10) })}${grips ? ` ${grips === 1 ? t('itHasGrippedTimeSoFar', { grips }) : t('itHasGrippedTimesSoFar', { grips })}` : ''}`}</Txt>
      {choice ? (
        <Txt size="s" className="mt-1" testID="stopSaving">
          {choice.choose === 'save'
            ? t('goOnSavingItOnAverage', {
                save: price(choice.save, settings.money.currency),
                fresh: price(choice.fresh, settings.money.currency),
                min: percent(Math.min(1, choice.breakEven)),
                stopAfterMin: span(choice.stopAfterMin * 60),
              })
            : t('stopSavingItOnAverageAgainst', {
                save: price(choice.save, settings.money.currency),
                fresh: price(choice.fresh, settings.money.currency),
              })}
        </Txt>
      ) : (
        <Txt size="s" className="mt-1">
          {newMinor === null ? t('shopHasNoPriceForA') : t('workingOutThePlan')}
        </Txt>
      )}
      <View className="flex-row flex-wrap gap-2 mt-2">
        <Button kind="small" label={t('theBackBroke')} onPress={() => writeOff('broke')} />
        <Button kind="small" label={t('printedLayerComesOff')} onPress={() => writeOff('printLayer')} />
        <Button
          kind="small"
          label={t('writeItOff')}
          onPress={() => writeOff(choice?.choose === 'new' ? 'cost' : 'other')}
        />
      </View>
      <WhyRows
        rows={[
          { name: t('notGoodEnoughAfterAll'), sourced: savingDefaults.reject, unit: '' },
          { name: t('clearingUpAfterABreak'), sourced: savingDefaults.cleanUpMin, unit: 'min' },
          { name: t('cleaningASavedBack'), sourced: coverCleanMin, unit: 'min' },
          {
            name: t('thisShopAgainstTheEstimate'),
            sourced: {
              value: scale.mean,
              u: scale.sd,
              source: saved.length
                ? {
                    kind: 'calibrated',
                    note: t('brokeOfThatWereToBe', {
                      n: saved.filter((j) => j.broke).length,
                      of: saved.length,
                    }),
                  }
                : scalePrior.source,
            },
            unit: '×',
          },
        ]}
      />
    </Disclosure>
  );
}
