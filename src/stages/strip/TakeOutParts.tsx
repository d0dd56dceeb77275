import { told } from '@/words/told';
import { goTo } from '@/bench-kit/goTo';
import { type Href } from 'expo-router';
import { View } from 'react-native';

import { stripMinutes, strippable } from '@/core/strip/graph';
import { neighbourMm } from '@/core/strip/neighbours';
import { targetsOf } from '@/work/strip/stripJob';
import { Entry, rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { digits as inDigits, lengthValue, typedToMm } from '@/words/units';
import { CellRule } from './CellRule';
import { nearestHole, StripPicture } from './StripPicture';
import { specText } from './words';

import { because } from './useTakeOut';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { TakeOutState } from './useTakeOut';
import { commonPractice } from '@/core/source';
import { t } from '@/words/strip';

export const batteryFirst = commonPractice(0, 'battery unplugged first, plugged in last');

/** What comes out next, on the device. */
export function TakeOutPicture({
  here: { job, work, units, next, hole, log, take },
  size,
}: {
  here: TakeOutState;
  size: PlanSize;
}) {
  return (
    <StripPicture
      job={job}
      work={work}
      size={size}
      label={t('ofStepsOut', { n: work.out.filter(work.isOff).length, of: work.out.length })}
      lines={[
        ...work.out.map((id, i) =>
          work.isOff(id)
            ? t('out2', { i: i + 1, name: work.items.get(id)!.name })
            : t('in', { i: i + 1, name: work.items.get(id)!.name }),
        ),
        ...job.device.screws.map((s) =>
          job.screwsOut.has(s.id)
            ? job.screwsOut.get(s.id)!.missing
              ? t('boxMissing', { id: s.id, s: specText(s, units), id2: work.cellOf(s.id) })
              : t('boxOut', { id: s.id, s: specText(s, units), id2: work.cellOf(s.id) })
            : t('boxIn', { id: s.id, s: specText(s, units), id2: work.cellOf(s.id) }),
        ),
      ]}
      next={next}
      nextHole={hole?.id ?? null}
      onTap={(p) => {
        const h = nearestHole(job, p);
        if (!h) return;
        void log([job.screwsOut.has(h) ? { type: 'screw', hole: h, to: 'untouched' } : take(h)]);
      }}
    />
  );
}

/** Steps, screws, tray. */
export function TakeOutReadings({ here: { work, outCount, job } }: { here: TakeOutState }) {
  return (
    <Readings
      items={[
        {
          id: 'steps',
          value: `${work.out.filter(work.isOff).length} / ${work.out.length}`,
          label: work.removal && !work.removal.exact ? t('stepsOutACheaperOrderMay') : t('stepsOut'),
        },
        {
          id: 'screws',
          value: `${outCount} / ${job.device.screws.length}`,
          label:
            job.screwsOut.size > outCount
              ? t('screwsOutMissing', { size: job.screwsOut.size - outCount })
              : t('screwsOut'),
          tone: job.screwsOut.size > outCount ? 'caution' : 'ink',
        },
      ]}
    />
  );
}

/** Beside the main thing. */
export function TakeOutSide({ here: { hole, log, take, finished, bare, onPhase, goOn, job } }: { here: TakeOutState }) {
  return hole ? (
    <Button
      label={t('missing')}
      onPress={() =>
        void log([take(hole.id, true), { type: 'finding', kind: 'screwMissing', answer: 'yes', note: hole.id }])
      }
    />
  ) : bare ? (
    <Button label={t('nowMoveOver')} onPress={() => onPhase('move')} />
  ) : finished ? (
    <Button label={goTo(job, 'strip')} onPress={() => goOn()} />
  ) : undefined;
}

/** What this step asks. */
export function ThisStep({
  here: { hole, units, lengthMm, setLengthMm, plug, lies, setLies, isCell, job, router },
}: {
  here: TakeOutState;
}) {
  return (
    <>
      {hole ? (
        <NumberField
          label={t('itIsLongerOrShorterLength')}
          unit={units.length}
          low={lengthValue(0.5, units, 1)}
          high={lengthValue(30, units, 1)}
          digits={1}
          value={lengthValue(lengthMm ?? hole.lengthMm, units, 1)}
          onCommit={(v) => setLengthMm(typedToMm(v, units))}
        />
      ) : null}
      {plug?.kind === 'coax' ? (
        <Entry label={t('howTheCablesCrossWhichLies')} value={lies} onChange={setLies} max={200} />
      ) : null}
      {isCell ? <CellRule job={job} onWarm={() => router.push(`/jobs/${job.id}/glue` as Href)} /> : null}
    </>
  );
}

/** How far it is taken apart. */
export function ToComeOut({ here: { job, log } }: { here: TakeOutState }) {
  return (
    <Choice
      label={t('toComeOut')}
      value={job.stripTarget === null || job.stripTarget.length !== 1 ? 'all' : job.stripTarget[0]!}
      options={[
        { id: 'all', name: t('everything') },
        ...job.device.parts.filter(strippable).map((p) => ({ id: p.id, name: t('onlyThe', { name: p.name }) })),
      ]}
      onChange={(id) =>
        void log([
          {
            type: 'stripTarget',
            ids: id === 'all' ? job.device.parts.filter(strippable).map((p) => p.id) : [id],
          },
        ])
      }
    />
  );
}

/** All steps in their order. */
export function AllSteps({ here: { work } }: { here: TakeOutState }) {
  return (
    <Disclosure title={t('allSteps')}>
      {work.out.map((id, i) => (
        <View key={id} className="flex-row gap-2 py-1 border-b border-rule">
          <Txt num strong className="w-[34px]">
            {work.isOff(id) ? '✓' : i + 1}
          </Txt>
          <Txt size="s" className="flex-1">
            {told(work.items.get(id)!.name)}: {because(work, id)}
          </Txt>
        </View>
      ))}
    </Disclosure>
  );
}

/** Why in this order. */
export function TakeOutWhy({ here: { job, work } }: { here: TakeOutState }) {
  return (
    <Why
      job={job}
      call="strip"
      inputs={{ targets: targetsOf(job), under: job.under }}
      computed={{ order: work.out, cost: work.removal?.cost ?? null, exact: work.removal?.exact ?? null }}
      notes={[
        work.removal
          ? work.removal.exact
            ? t('theFewestMinutesThatReachIt', { figure: inDigits(work.removal.cost, 1) })
            : t('aboutMinutesNoOrderIsUnder', {
                figure: inDigits(work.removal.cost, 1),
                figure2: inDigits(work.removal.bound, 1),
              })
          : t('noOrderACircle'),
        t('whatLiesOverWhatComesFrom'),
      ]}
      rows={[
        rowOf(t('battery'), batteryFirst, ''),
        rowOf(t('oneScrew'), stripMinutes.screw, 'min'),
        rowOf(t('onePlug'), stripMinutes.connector, 'min'),
        rowOf(t('onePart'), stripMinutes.part, 'min'),
        rowOf(t('atRiskBesideAPlug'), neighbourMm, 'mm'),
      ]}
    />
  );
}
