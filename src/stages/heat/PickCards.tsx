import { View } from 'react-native';

import type { choosePick, PickWay } from '@/core/lift/picks';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { ThermalJob } from '@/work/heat/thermalJob';
import { watchMarks } from '@/work/heat/watchMarks';
import { MarkBar, ScaleBar } from '@/ui/multiples/bars';
import { MultipleCard, Multiples, useCardRoom } from '@/ui/multiples/Multiples';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { clock, length, tempNumber } from '@/words/units';
import { told } from '@/words/told';
import { t } from '@/words/heat';
import { chanceText } from './heatCall';
import { FieldThumb } from './FieldThumb';
import { PicksTable } from './PicksTable';

interface PickCardsProps {
  job: JobState;
  thermal: ThermalJob;
  ways: readonly PickWay[] | null;
  choice: ReturnType<typeof choosePick> | null;
  pickMm: number;
  /** start of the heat, s of the run */
  fromS: number;
  units: Pick<Settings, 'temperature' | 'length'>;
}

/** What is drawn of a chance that the back breaks: one in five fills the bar. */
const fullBar = 0.2;

/** Each pick at the instant when the edge opens for it: a thinner one waits longer and risks less of the back, or more. */
export function PickCards({ job, thermal, ways, choice, pickMm, fromS, units }: PickCardsProps) {
  const room = useCardRoom();
  const marks = watchMarks(job).battery;
  const list = ways ?? [];
  const toS = Math.max(120, ...list.map((w) => (w.readyS ? w.readyS.high - fromS : 0)));
  const toC = Math.max(100, marks?.stopC ?? 0, ...list.map((w) => w.battery?.peakC.high ?? 0)) + 5;
  return (
    <>
      <Multiples label={t('picksSideBySide')} pick={false}>
        {list.map((w) => (
          <MultipleCard
            key={w.pickMm}
            label={t('withAPickOf', { pickMm: length(w.pickMm, units) })}
            title={length(w.pickMm, units)}
            note={
              w.pickMm === choice?.way?.pickMm && choice.reason !== 'nothingWorks' ? t('proposedWord') : t('pickWord')
            }
            on={w.pickMm === pickMm}
          >
            {w.fieldC ? (
              <FieldThumb
                job={job}
                raster={thermal.model.modes.picture}
                fieldC={w.fieldC}
                easyC={w.easyC}
                width={room}
                height={Math.min(200, room * 1.4)}
              />
            ) : null}
            <Txt num strong size="l">
              {w.readyS ? clock(w.readyS.mean - fromS) : t('never')}
            </Txt>
            <Txt size="s" tone="ink2">
              {w.readyS
                ? t('easyFromLatest', {
                    easyC: w.easyC === null ? '–' : `${tempNumber(w.easyC, units)}°`,
                    high: clock(w.readyS.high - fromS),
                  })
                : t('doesNotGetTheFirstEdge')}
            </Txt>
            <ScaleBar
              to={Math.ceil(toS / 60)}
              unit="min"
              parts={
                w.readyS
                  ? [
                      {
                        from: ((w.tryFromS ?? w.readyS).mean - fromS) / 60,
                        to: (w.readyS.mean - fromS) / 60,
                        look: 'hollow',
                      },
                      { from: (w.readyS.mean - fromS) / 60, to: (w.readyS.high - fromS) / 60, look: 'full' },
                    ]
                  : []
              }
            />
            {w.battery ? (
              <MarkBar
                name={told('battery')}
                value={w.battery.peakC.high}
                text={`${tempNumber(w.battery.peakC.high, units)}°`}
                from={20}
                to={toC}
                caution={marks?.cautionC}
                stop={marks?.stopC}
              />
            ) : null}
            <View>
              <Txt size="s" tone="ink2">
                {t('breaksChance', { chance: chanceText(w.breakChance, job.keepCover) })}
              </Txt>
              {w.breakChance !== null && job.keepCover ? (
                <ScaleBar to={fullBar} parts={[{ from: 0, to: Math.min(fullBar, w.breakChance), look: 'full' }]} />
              ) : null}
            </View>
            <Txt size="s" tone="ink2">
              {w.plan
                ? w.plan.finished
                  ? t('reheatsCount', { count: w.plan.reheats })
                  : w.plan.stoppedBy === 'battery'
                    ? t('batteryTooHot')
                    : t('tooCold')
                : '–'}
            </Txt>
          </MultipleCard>
        ))}
      </Multiples>
      <Disclosure bare title={t('asATable')}>
        <PicksTable ways={ways} choice={choice} pickMm={pickMm} fromS={fromS} keepCover={job.keepCover} units={units} />
      </Disclosure>
    </>
  );
}
