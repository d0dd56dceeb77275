import { said } from '@/words/codes';
import { View } from 'react-native';

import { boxOf, contains } from '@/core/device/shapes';
import type { Pt } from '@/core/device/types';
import { bladeOverMm, lensToleranceMm, pressS, underTape, type LensCover } from '@/core/lens/lensSet';
import { lensHeatData } from '@/core/lens/lensHeat';
import type { LiftSlice } from '@/model/stages/lift';
import { lensFocus } from '@/work/lift/lensCovers';
import { lensAirC, lensBladeMm, lensMarginK } from '@/work/lift/lensJob';
import { LensAir } from '@/bench-kit/LensAir';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Numbers } from '@/ui/plan/layers';
import { Outlines } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { clock, length, temp } from '@/words/units';
import { Sizes } from '@/bench-kit/LensSet';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { LensLiftState } from './useLensLift';
import { t } from '@/words/lift';

function stateWord(job: Pick<LiftSlice, 'lenses'>, l: LensCover): string {
  const s = job.lenses.get(l.bond.id)?.steps ?? {};
  return s.inspected !== undefined
    ? t('offOpeningClear')
    : s.tapped !== undefined
      ? t('offTappedOut')
      : s.off !== undefined
        ? t('off')
        : t('toComeOff');
}

/** The covers, looked at closely. */
export function LensPicture({
  here: { job, all, chosen, name, units, toggle, next },
  size,
}: {
  here: LensLiftState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      focus={lensFocus(all)}
      label={t('ofLensCoversChosen', { n: chosen.length, of: all.length })}
      lines={all.map((l) =>
        t('acrossBladeInTo', {
          l: name(l),
          sizeMm: length(l.sizeMm, units),
          job: chosen.includes(l) ? stateWord(job, l) : said('stays'),
          needMm: length(l.needMm, units),
          limitMm: length(l.limitMm, units),
        }),
      )}
      onTap={(p: Pt) => {
        const hit = all.find((l) => contains(l.face.cover.outline, p, 2));
        if (hit) toggle(hit);
      }}
    >
      <Outlines items={all.map((l) => ({ shape: l.face.cover.outline, on: chosen.includes(l) }))} />
      <Numbers
        items={all.map((l, i) => {
          const b = boxOf(l.face.cover.outline);
          const isOff = job.lenses.get(l.bond.id)?.steps.off !== undefined;
          return {
            at: [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2] as const,
            text: isOff ? '✓' : String(i + 1),
            state: isOff ? ('done' as const) : l === next ? ('next' as const) : ('todo' as const),
          };
        })}
      />
    </PlainPlan>
  );
}

/** The step that comes next. */
export function LensMain({ here: { main } }: { here: LensLiftState }) {
  return (
    <Button
      kind="main"
      label={main.label}
      onPress={main.act}
      disabled={main.why !== null}
      {...(main.why ? { why: main.why } : {})}
    />
  );
}

/** Which covers, and their sizes. */
export function WhichCovers({ here: { job, all, name, units, chosen, toggle } }: { here: LensLiftState }) {
  return (
    <Disclosure title={t('whichCoversAndTheirSizes')} open={!job.lenses.size}>
      {all.map((l, i) => (
        <Tick
          key={l.bond.id}
          label={t('across', { i: i + 1, l: name(l), sizeMm: length(l.sizeMm, units) })}
          on={chosen.includes(l)}
          note={chosen.includes(l) ? stateWord(job, l) : t('staysOn')}
          onChange={() => toggle(l)}
        />
      ))}
      <Sizes job={job} chosen={chosen} />
    </Disclosure>
  );
}

/** With heat or without. */
export function LensHeatChoice({ here: { plan, next, warm, setSchool, units, air } }: { here: LensLiftState }) {
  const choose = plan?.choose === 'warm' ? t('chooseWarm') : t('chooseCold');
  return plan && next ? (
    <View className="mt-2">
      <Choice
        label={t('withHeatOrWithout')}
        value={warm ? 'warm' : 'cold'}
        options={[
          { id: 'warm', name: plan.heat?.readyS ? t('warm', { high: clock(plan.heat.readyS.high) }) : t('warm2') },
          { id: 'cold', name: t('cold') },
        ]}
        onChange={setSchool}
        hint={
          plan.heat?.readyS
            ? plan.cold.verdict === 'go'
              ? t('warmTheCameraGetsUpTo', {
                  high: temp(plan.heat.cameraC.high, units),
                  gcJm2: Math.round(plan.cold.gcJm2),
                  choose,
                })
              : plan.cold.verdict === 'slow'
                ? t('warmTheCameraGetsUpTo2', {
                    high: temp(plan.heat.cameraC.high, units),
                    gcJm2: Math.round(plan.cold.gcJm2),
                    choose,
                  })
                : t('warmTheCameraGetsUpTo3', {
                    high: temp(plan.heat.cameraC.high, units),
                    gcJm2: Math.round(plan.cold.gcJm2),
                    choose,
                  })
            : plan.cold.verdict === 'go'
              ? t('warmThisAirIsTooWeak', {
                  gcJm2: Math.round(plan.cold.gcJm2),
                  choose,
                })
              : plan.cold.verdict === 'slow'
                ? t('warmThisAirIsTooWeak2', {
                    gcJm2: Math.round(plan.cold.gcJm2),
                    choose,
                  })
                : t('warmThisAirIsTooWeak3', {
                    gcJm2: Math.round(plan.cold.gcJm2),
                    choose,
                  })
        }
      />
      {warm ? (
        <View>
          <LensAir air={air} heater={plan.heater} />
          <Txt size="s" tone="ink2">
            {t('firstCoverEveryOtherLensWith')}
          </Txt>
        </View>
      ) : null}
    </View>
  ) : null;
}

/** Why so hot and so long. */
export function LensWhy({ here: { job, chosen, air, plan, units } }: { here: LensLiftState }) {
  return (
    <Why
      job={job}
      call="lens"
      inputs={{ chosen: chosen.map((l) => l.bond.id), setC: air.setC, heater: plan?.heater?.id ?? null }}
      computed={{ heat: plan?.heat ?? null, easyC: plan?.easyC ?? null, workC: plan?.workC ?? null }}
      notes={[
        t('bladeOfEasyFromWorksSlowly', {
          value: length(lensBladeMm.value, units),
          easyC: plan?.easyC == null ? t('noTemperature') : temp(plan.easyC, units),
          workC: plan?.workC == null ? said('none') : temp(plan.workC, units),
        }),
        t('glassHeldByACameraFrame'),
      ]}
      rows={[
        rowOf(t('bladeUnderTheTape'), underTape, ''),
        rowOf(t('blade'), lensBladeMm, 'mm'),
        rowOf(t('roomBeforeWhatTheCameraSees'), bladeOverMm, 'mm'),
        rowOf(t('air'), lensAirC, '°C'),
        rowOf(t('aboveWhereTheBladeGoes'), lensMarginK, 'K'),
        rowOf(t('lensRingAndCamera'), lensHeatData.moduleJK, 'J/K'),
        rowOf(t('pressWithTheFinger'), pressS, 's'),
        rowOf(t('sizesMatchWithin'), lensToleranceMm, 'mm'),
      ]}
    />
  );
}
