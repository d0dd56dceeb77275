import { View } from 'react-native';

import { boxOf, contains } from '@/core/device/shapes';
import type { Pt } from '@/core/device/types';
import { bladeOverMm, lensToleranceMm, pressS, underTape, type LensCover } from '@/core/lens/lensSet';
import { lensHeatData } from '@/core/lens/lensHeat';
import type { LiftSlice } from '@/model/stages/lift';
import { lensAirC, lensBladeMm, lensMarginK, lensFocus } from '@/work/lift/lensJob';
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
import { Sizes } from './LensParts';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { LensLiftState } from './useLensLift';

function stateWord(job: Pick<LiftSlice, 'lenses'>, l: LensCover): string {
  const s = job.lenses.get(l.bond.id)?.steps ?? {};
  return s.inspected !== undefined
    ? 'off, opening clear'
    : s.tapped !== undefined
      ? 'off, tapped out'
      : s.off !== undefined
        ? 'off'
        : 'to come off';
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
      label={`${chosen.length} of ${all.length} lens covers chosen`}
      lines={all.map(
        (l) =>
          `${name(l)}: ${length(l.sizeMm, units)} across, ${chosen.includes(l) ? stateWord(job, l) : 'stays'}; blade in ${length(l.needMm, units)} to ${length(l.limitMm, units)}`,
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
    <Disclosure title="Which covers, and their sizes" open={!job.lenses.size}>
      {all.map((l, i) => (
        <Tick
          key={l.bond.id}
          label={`${i + 1}. ${name(l)}, ${length(l.sizeMm, units)} across`}
          on={chosen.includes(l)}
          note={chosen.includes(l) ? stateWord(job, l) : 'stays on'}
          onChange={() => toggle(l)}
        />
      ))}
      <Sizes job={job} chosen={chosen} />
    </Disclosure>
  );
}

/** With heat or without. */
export function LensHeatChoice({ here: { plan, next, warm, setSchool, units, air } }: { here: LensLiftState }) {
  return plan && next ? (
    <View className="mt-2">
      <Choice
        label="With heat or without"
        value={warm ? 'warm' : 'cold'}
        options={[
          { id: 'warm', name: `Warm${plan.heat?.readyS ? `, ${clock(plan.heat.readyS.high)}` : ''}` },
          { id: 'cold', name: 'Cold' },
        ]}
        onChange={setSchool}
        hint={`Warm: ${plan.heat?.readyS ? `the camera gets up to ${temp(plan.heat.cameraC.high, units)}, disc and tape come in one` : 'this air is too weak'}. Cold: no heat at the camera; the tape asks for ${Math.round(plan.cold.gcJm2)} J/m², ${plan.cold.verdict === 'go' ? 'the blade goes' : plan.cold.verdict === 'slow' ? 'slowly, in more splinters' : 'hardly, in more splinters'}. Proposed: ${plan.choose}.`}
      />
      {warm ? (
        <View>
          <LensAir air={air} heater={plan.heater} />
          <Txt size="s" tone="ink2">
            Every other lens under heat-resistant tape and foil first.
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
        `Blade of ${length(lensBladeMm.value, units)}: goes from ${plan?.easyC == null ? 'no temperature' : temp(plan.easyC, units)}, works slowly from ${plan?.workC == null ? 'none' : temp(plan.workC, units)}. The ring law for a straight edge: on a small disc it is an estimate.`,
        'Glass held by a camera frame: pushed out from behind where the camera is out, else picked out in pieces from the front.',
      ]}
      rows={[
        rowOf('Blade under the tape', underTape, ''),
        rowOf('Blade', lensBladeMm, 'mm'),
        rowOf('Room before the view', bladeOverMm, 'mm'),
        rowOf('Air', lensAirC, '°C'),
        rowOf('Above where the blade goes', lensMarginK, 'K'),
        rowOf('Bezel and camera module', lensHeatData.moduleJK, 'J/K'),
        rowOf('Press under the finger', pressS, 's'),
        rowOf('Sizes match within', lensToleranceMm, 'mm'),
      ]}
    />
  );
}
