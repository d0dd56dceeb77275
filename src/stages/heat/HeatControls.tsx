import { jointOf } from '@/core/device/jointKinds';
import { defOf } from '@/core/heat/heaterDefs';
import { startTransition, useOptimistic, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import type { Heater } from '@/core/heat/heater';
import type { EdgeStep } from '@/core/lift/order';
import { picksFor } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import { heaterOf, heatersOf, type Settings } from '@/model/settings';
import { heaterWords } from '@/words/heaterWords';
import { bumps } from '@/work/heat/heating';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { RangeInput } from '@/ui/RangeInput';
import { Txt } from '@/ui/Txt';
import { dial, length, lengthNumber, tempNumber, typedToC } from '@/words/units';
import { airUse, airWayOf, highestSetC, unitDoubt, withHeater, type HeatPlanDraft } from '@/work/heat/heatPlan';
import { t } from '@/words/heat';
import { told } from '@/words/told';

interface HeatControlsProps {
  job: JobState;
  settings: Settings;
  plan: HeatPlanDraft & { pickMm: number };
  /** the edge to be cut next, and the length of the ring */
  step: EdgeStep | undefined;
  ringMm: number;
  onChange: (plan: HeatPlanDraft) => void;
  /** asked when something is pressed: the plan with the dial where it was turned to, though the page has not followed yet */
  wanted: () => HeatPlanDraft;
}

/** Heater, setpoint and pick, chosen together: typed, stepped or dragged. */
export function HeatControls({ job, settings, plan, step, ringMm, onChange, wanted }: HeatControlsProps) {
  const heater = heaterOf(settings, plan.heater);
  const put = (change: Partial<HeatPlanDraft>) => onChange({ ...plan, setC: wanted().setC, ...change });
  return (
    <View className="mt-1">
      <HeaterRow
        heaters={heatersOf(settings)}
        value={heater.id}
        onChange={(h) => onChange(withHeater(plan, h, job, step, ringMm))}
      />
      <Setpoint
        heater={heater}
        highestC={highestSetC(heater, job)}
        setC={plan.setC}
        units={settings}
        onChange={(setC) => put({ setC })}
      />
      <PickRow
        picks={picksFor(jointOf(job.bond).wholeFace)}
        units={settings}
        value={plan.pickMm}
        onChange={(pickMm) => put({ pickMm })}
      />
      {defOf(heater).led ? (
        <Choice
          label={t('nozzle')}
          value={airWayOf(plan.use)}
          options={[
            { id: 'edge', name: t('roundTheEdge') },
            { id: 'outward', name: t('roundOutsideIt') },
            { id: 'strip', name: t('nextEdgeOnly') },
          ]}
          onChange={(way) => put({ use: { ...airUse(way, job, step, ringMm), masked: plan.use.masked ?? false } })}
        />
      ) : (
        <Choice
          label={t('whenTheDeviceGoesOn', { name: heaterWords(heater).name })}
          value={plan.preheated ? 'hot' : 'cold'}
          options={[
            { id: 'hot', name: t('alreadyHot') },
            { id: 'cold', name: t('stillCold') },
          ]}
          onChange={(v) => put({ preheated: v === 'hot' })}
        />
      )}
      {bumps(job.device, job.bond) && defOf(heater).under ? (
        <Choice
          label={t('cameras')}
          value={plan.use.lies ?? 'flat'}
          options={[
            { id: 'flat', name: t('lieFlat') },
            { id: 'bump', name: t('restOnTheBump') },
            { id: 'over', name: t('hangOverTheEdge') },
          ]}
          onChange={(lies) => put({ use: { ...plan.use, lies } })}
        />
      ) : null}
      {bumps(job.device, job.bond) && defOf(heater).led ? (
        <Tick
          label={t('camerasMaskedWithTapeAndFoil')}
          on={plan.use.masked ?? false}
          onChange={(masked) => put({ use: { ...plan.use, masked } })}
        />
      ) : null}
    </View>
  );
}

function HeaterRow({
  heaters,
  value,
  onChange,
}: {
  heaters: readonly Heater[];
  value: string;
  onChange: (h: Heater) => void;
}) {
  return (
    <View role="radiogroup" aria-label={t('heatWith')} className="mb-1">
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerClassName="gap-2">
        {heaters.map((h) => (
          <Pressable
            key={h.id}
            role="radio"
            aria-checked={h.id === value}
            aria-label={t('heatWith2', { name: h.name })}
            onPress={() => onChange(h)}
            className={`min-h-touch px-3 items-center justify-center rounded-card border-[1.5px] ${h.id === value ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
          >
            <Txt size="s" strong={h.id === value} tone={h.id === value ? 'onInk' : 'ink'}>
              {told(h.name)}
            </Txt>
          </Pressable>
        ))}
      </ScrollView>
    </View>
  );
}

interface SetpointProps {
  heater: Heater;
  /** with what is inside; above it the other unit is asked about */
  highestC: number;
  setC: number;
  units: Pick<Settings, 'temperature' | 'length'>;
  onChange: (setC: number) => void;
}

function Setpoint({ heater, highestC, setC: pageC, units, onChange: follow }: SetpointProps) {
  // the dial shows its own number at once; the page follows in turns that never hold up the finger
  const [setC, show] = useOptimistic(pageC);
  const onChange = (c: number) =>
    startTransition(() => {
      show(c);
      follow(c);
    });
  const { name } = heaterWords(heater);
  const [doubt, setDoubt] = useState<{ typed: number; unit: 'C' | 'F'; setC: number } | null>(null);
  const ask = (typed: number) => {
    const d = unitDoubt(typed, units.temperature, { ...heater, maxSetC: highestC });
    setDoubt(d && { typed, ...d });
  };
  const held = (v: number) => Math.min(heater.maxSetC, Math.max(heater.minSetC, v));
  return (
    <>
      <View className="flex-row items-center gap-2">
        <Txt strong>{name}</Txt>
        <NumberField
          hideLabel
          label={t('setting2', { name })}
          unit={`°${units.temperature}`}
          low={tempNumber(heater.minSetC, units)}
          high={tempNumber(heater.maxSetC, units)}
          value={tempNumber(setC, units)}
          onCommit={(v) => {
            ask(v);
            onChange(Math.round(typedToC(v, units)));
          }}
          onRefused={ask}
        />
        <Txt tone="ink2" className="flex-1 text-right">
          {t('dial', { setC: dial(setC) })}
        </Txt>
      </View>
      {doubt ? (
        <View role="status" className="border border-caution bg-panel p-2 mb-2">
          <Txt size="s" className="mb-1">
            {t('isYourDialInIs', { unit: doubt.unit, typed: doubt.typed, unit2: doubt.unit, setC: dial(doubt.setC) })}
          </Txt>
          <Button
            kind="small"
            label={t('takeItAs', { unit: doubt.unit })}
            onPress={() => {
              setDoubt(null);
              onChange(doubt.setC);
            }}
          />
        </View>
      ) : null}
      <View className="flex-row items-center gap-2">
        <Button kind="small" label="−5" onPress={() => onChange(held(setC - 5))} />
        <View className="flex-1">
          <RangeInput
            label={t('settingToC', { name, minSetC: heater.minSetC, maxSetC: heater.maxSetC })}
            valueText={dial(setC)}
            low={heater.minSetC}
            high={heater.maxSetC}
            step={1}
            value={setC}
            onChange={onChange}
          />
        </View>
        <Button kind="small" label="+5" onPress={() => onChange(held(setC + 5))} />
      </View>
    </>
  );
}

function PickRow({
  units,
  picks,
  value,
  onChange,
}: {
  units: Pick<Settings, 'temperature' | 'length'>;
  picks: readonly number[];
  value: number;
  onChange: (mm: number) => void;
}) {
  return (
    <View role="radiogroup" aria-label={t('pickThickness')} className="flex-row items-center gap-2 mb-2">
      <Txt strong>{t('pick')}</Txt>
      {picks.map((mm) => (
        <Pressable
          key={mm}
          role="radio"
          aria-checked={mm === value}
          aria-label={t('pick2', { mm: length(mm, units) })}
          onPress={() => onChange(mm)}
          className={`min-h-touch flex-1 items-center justify-center rounded-card border-[1.5px] ${mm === value ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
        >
          <Txt num tone={mm === value ? 'onInk' : 'ink'}>
            {lengthNumber(mm, units)}
          </Txt>
        </Pressable>
      ))}
      <Txt tone="ink2">{units.length}</Txt>
    </View>
  );
}
