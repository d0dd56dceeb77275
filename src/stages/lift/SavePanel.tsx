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
        <Txt strong>Cover written off</Txt>
        <Txt size="s">
          {words[job.writtenOff.why]} A new one is needed: quote and promise may change. Undo puts it back.
        </Txt>
      </View>
    ) : null;
  return <Saving {...p} writeOff={writeOff} />;
}

const words: Record<EventOf<'writeOff'>['why'], string> = {
  broke: 'It broke.',
  printLayer: 'The printed layer comes off with the tape: the glass would show bare.',
  cost: 'Saving it would have cost more than a new one.',
  other: 'Said by hand.',
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
    <Disclosure title={`Save or write off: ${percent(chance.careful)} to break from here`}>
      <Txt size="s" testID="saving">
        {percent(chance.careful)} from now on when every gripped stretch is reheated, {percent(chance.forced)} when it
        is forced as it is; the next 10 mm alone {percent(chance.next10)}.
        {grips ? ` Gripped ${grips} ${grips === 1 ? 'time' : 'times'} so far.` : ''}
      </Txt>
      {choice ? (
        <Txt size="s" className="mt-1" testID="stopSaving">
          {choice.choose === 'save'
            ? `Go on saving: ${price(choice.save, settings.money.currency)} expected against ${price(choice.fresh, settings.money.currency)} for a new one. Stop when the chance passes ${percent(Math.min(1, choice.breakEven))}, or after ${span(choice.stopAfterMin * 60)} more than planned.`
            : `Stop saving: ${price(choice.save, settings.money.currency)} expected against ${price(choice.fresh, settings.money.currency)} for a new one.`}
        </Txt>
      ) : (
        <Txt size="s" className="mt-1">
          {newMinor === null
            ? 'No price of a new cover in Shop: nothing to compare with.'
            : 'The plan is being computed.'}
        </Txt>
      )}
      <View className="flex-row flex-wrap gap-2 mt-2">
        <Button kind="small" label="The cover broke" onPress={() => writeOff('broke')} />
        <Button kind="small" label="Print layer comes off" onPress={() => writeOff('printLayer')} />
        <Button
          kind="small"
          label="Write it off"
          onPress={() => writeOff(choice?.choose === 'new' ? 'cost' : 'other')}
        />
      </View>
      <WhyRows
        rows={[
          { name: 'Not good enough after all', sourced: savingDefaults.reject, unit: '' },
          { name: 'Clearing up after a break', sourced: savingDefaults.cleanUpMin, unit: 'min' },
          { name: 'Cleaning a saved cover', sourced: coverCleanMin, unit: 'min' },
          {
            name: 'This shop against the computed chance',
            sourced: {
              value: scale.mean,
              u: scale.sd,
              source: saved.length
                ? {
                    kind: 'calibrated',
                    note: `${saved.filter((j) => j.broke).length} broke of ${saved.length} that were to be saved`,
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
