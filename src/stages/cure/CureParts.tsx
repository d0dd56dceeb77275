import { said } from '@/words/codes';
import { View } from 'react-native';

import { noPress } from '@/core/bond/hold';
import { squeezeOutOf } from '@/core/bond/squeezeOut';
import { cureMarks, type CureKind, type CureMark } from '@/core/cure/laws';
import { benchReports } from '@/core/cure/policy';
import { cureMarkNames } from '@/words/cureNames';
import { EyeMarks } from '@/bench-kit/ByEye';
import { useActions } from '@/bench-kit/actions';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { NoPressAreas } from '@/ui/plan/bondLayers';
import { Numbers } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { dayTime, percent, span, rangeText } from '@/words/units';
import { cureNotes, cureRows } from './whyCure';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { CureStageState } from './useCureStage';
import { t } from '@/words/cure';

const reportText = (kind: CureKind, m: CureMark): string => {
  const r = benchReports[kind][m];
  if (!r) return '–';
  const [a, b] = r.map((x) => span(x.value));
  return a === b ? a! : rangeText(a!, b!);
};

function MarkRow({ cells, head, bold }: { cells: string[]; head?: boolean; bold?: number }) {
  return (
    <View role="row" className="flex-row border-b border-rule py-1">
      {cells.map((c, i) => (
        <View key={i} role={head ? 'columnheader' : 'cell'} className={i ? 'flex-1 pr-1' : 'w-[92px] pr-1'}>
          <Txt size="s" num={i > 0 && !head} strong={i === bold} tone={head ? 'ink2' : 'ink'}>
            {c}
          </Txt>
        </View>
      ))}
    </View>
  );
}

/** Clips round the device. */
export function CurePicture({
  here: { job, way, places, path, start, off, slipped, by },
  size,
}: {
  here: CureStageState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      {...(by.onTap ? { onTap: by.onTap } : {})}
      label={
        slipped
          ? t('slippedWhere')
          : way.clips
            ? t('clipsRound', { count: places.length, name: job.device.name })
            : t('on', { name: way.name, name2: job.device.name })
      }
      lines={[
        ...places.map((p, i) =>
          p.movedMm
            ? t('clipEdgeMovedAside', { i: i + 1, edge: path.point(p.sMm).edge })
            : t('clipEdge', { i: i + 1, edge: path.point(p.sMm).edge }),
        ),
        ...noPress(job.device, job.face).map((p) => t('notOn', { name: p.name })),
      ]}
    >
      <NoPressAreas shapes={noPress(job.device, job.face).map((p) => p.shape)} />
      {slipped ? by.layer : null}
      <Numbers
        items={(slipped ? [] : places).map((p, i) => ({
          at: path.point(p.sMm).at,
          text: String(i + 1),
          state: start === null || off ? ('todo' as const) : ('done' as const),
        }))}
      />
    </PlainPlan>
  );
}

/** Clamps on, off, or on its way. */
export function CureMain({ here: { main } }: { here: CureStageState }) {
  return (
    <Button
      kind="main"
      key={main.label}
      label={main.label}
      onPress={() => main.act?.()}
      disabled={main.act === undefined}
      {...(main.why ? { why: main.why } : {})}
    />
  );
}

/** What keeps a clock from being heard. */
export function CureNotes({ here: { full, alarm } }: { here: CureStageState }) {
  return (
    <>
      {full ? (
        <Txt size="s" tone="caution">
          {t('thisBrowserHasNoRoomLeft')}
        </Txt>
      ) : null}
      {alarm.silent ? (
        <Txt size="s" tone="caution">
          {t('thisBrowserStaysSilentUntilYou')}
        </Txt>
      ) : null}
    </>
  );
}

/** Did it hold when the clamps came off. */
export function DidItHold({ here: { off, cure, job, sayHeld } }: { here: CureStageState }) {
  return off && !job.cureHeld ? (
    <View className="mt-2">
      <Txt strong>{t('didItHoldWhenTheClamps')}</Txt>
      {cure.kind === 'tape' ? null : (
        <Txt size="s" tone="ink2">
          {t('threeThatHeldTeachThisShop')}
        </Txt>
      )}
      <View className="flex-row gap-3 mt-1">
        <View className="flex-1">
          <Button kind="small" label={t('itHeld')} onPress={() => sayHeld(true)} />
        </View>
        <View className="flex-1">
          <Button kind="small" onward label={t('itSlipped')} onPress={() => sayHeld(false)} />
        </View>
      </View>
    </View>
  ) : null;
}

/** It slipped: the places, as taps on the plan or as a list. */
export function WhereItSlipped({ here: { slipped, by, points, pointPlace } }: { here: CureStageState }) {
  return slipped ? <EyeMarks by={by} of="step" points={points} placeOf={pointPlace} /> : null;
}

/** Black rubber that came out beside the cover: dry now, it peels off. */
export function PeelOff({ here: { off, job, settings } }: { here: CureStageState }) {
  const { log } = useActions(job);
  const liquid = settings.liquids.find((l) => l.id === job.bonded?.itemId);
  return off && liquid && squeezeOutOf(liquid) === 'dry' ? (
    <Tick
      label={t('peelOffWhatCameOut')}
      note={t('inOneStringAwayFromLenses')}
      on={job.prep.has('squeezePeeled')}
      onChange={(done) => void log([{ type: 'prep', item: 'squeezePeeled', done }])}
    />
  ) : null;
}

/** Marks of the cure and when they are reached. */
export function CureMarks({ here: { start, short, now, cure, settings } }: { here: CureStageState }) {
  return (
    <>
      <View className="mt-2" role="table" aria-label={t('when')}>
        <MarkRow head cells={[said('mark'), said('early'), said('usually'), said('latest'), t('benchesSay')]} />
        {cureMarks.map((m) => {
          const at = (s: number) => (start === null ? short(s) : dayTime(start + s * 1e3, now));
          const c = cure.clocks[m];
          return (
            <MarkRow
              key={m}
              cells={[cureMarkNames[m], at(c.low), at(c.mean), at(c.high), reportText(cure.kind, m)]}
              bold={cure.unlockS[m] === c.high ? 3 : 2}
            />
          );
        })}
      </View>
      <Txt size="s" tone="ink2" className="mt-1">
        {settings.cureBy === 'usual' ? t('boldSetsYouFreeToGo') : t('boldSetsYouFreeToGo2')}
      </Txt>
      {start !== null ? (
        <Txt size="s" className="mt-1">
          {cure.kind === 'tape'
            ? t('ofTheFinalBondByNow', { shareHigh: percent(cure.shareHigh) })
            : cure.kind === 'solvent'
              ? t('toOfTheSolventHasLeft', { shareLow: percent(cure.shareLow), shareHigh: percent(cure.shareHigh) })
              : t('toOfTheWidthHasCured', { shareLow: percent(cure.shareLow), shareHigh: percent(cure.shareHigh) })}
        </Txt>
      ) : null}
    </>
  );
}

/** Why so long. */
export function CureWhy({ here: { job, cure, way, ways, settings } }: { here: CureStageState }) {
  return (
    <Why
      job={job}
      call="cure"
      inputs={{ air: cure.steps[0], bondMm: cure.bondMm, kind: cure.kind }}
      computed={{ way: way.id, count: way.count, clocks: cure.clocks }}
      notes={cureNotes(cure, ways, settings)}
      rows={cureRows(cure)}
    />
  );
}
