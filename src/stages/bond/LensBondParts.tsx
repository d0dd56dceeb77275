import { boxOf } from '@/core/device/shapes';
import { lensToleranceMm, pressS } from '@/core/lens/lensSet';
import { lacking, lensFocus } from '@/work/lift/lensCovers';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { rowOf, Why } from '@/bench-kit/Why';
import { Numbers } from '@/ui/plan/layers';
import { Outlines } from '@/ui/plan/pieceLayers';
import { Readings } from '@/ui/Readings';
import { clock } from '@/words/units';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { LensBondState } from './useLensBond';
import { t } from '@/words/bond';

/** Covers, looked at closely. */
export function LensBondPicture({
  here: { job, all, chosen, state, pressed, next },
  size,
}: {
  here: LensBondState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      focus={lensFocus(all)}
      label={t('ofNewLensCoversOn', {
        n: chosen.length - lacking(job, chosen, 'pressed').length,
        of: chosen.length,
      })}
      lines={chosen.map((l) =>
        state(l.bond.id)?.steps.pressed !== undefined
          ? t('on', { name: l.face.name })
          : t('toSet', { name: l.face.name }),
      )}
    >
      <Outlines items={all.map((l) => ({ shape: l.face.cover.outline, on: chosen.includes(l) }))} />
      <Numbers
        items={chosen.map((l, i) => {
          const b = boxOf(l.face.cover.outline);
          const on = state(l.bond.id)?.steps.pressed !== undefined;
          return {
            at: [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2] as const,
            text: on ? '✓' : String(i + 1),
            state: on ? ('done' as const) : l === (pressed ?? next) ? ('next' as const) : ('todo' as const),
          };
        })}
      />
    </PlainPlan>
  );
}

/** Covers on, and their match. */
export function LensBondReadings({ here: { chosen, job, pressed, leftS } }: { here: LensBondState }) {
  return (
    <Readings
      items={[
        {
          id: 'on',
          value: `${chosen.length - lacking(job, chosen, 'pressed').length} / ${chosen.length}`,
          label: t('coversOnAndPressed'),
        },
        {
          id: 'press',
          value: pressed ? clock(Math.max(0, leftS)) : `${Math.round(pressS.value)} s`,
          label: t('withTheFingerEachUsually1'),
          tone: pressed && leftS <= 0 ? 'go' : 'ink',
        },
      ]}
    />
  );
}

/** Why they match or not. */
export function LensBondWhy({ here: { job, given, match } }: { here: LensBondState }) {
  return (
    <Why
      job={job}
      call="lensBond"
      inputs={{ given }}
      computed={match}
      notes={[t('coversThatComeWithTheirTape')]}
      rows={[rowOf(t('press'), pressS, 's'), rowOf(t('sizesMatchWithin'), lensToleranceMm, 'mm')]}
    />
  );
}
