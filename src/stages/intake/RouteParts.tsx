import { View } from 'react-native';

import { faceView } from '@/core/device/faceView';
import { breakWeight, comebackChance, damageChance, priorWeight } from '@/core/intake/routeFigures';
import { closeCall } from '@/core/money/choices';
import type { NewEvent } from '@/model/event';
import { rowOf, Why } from '@/bench-kit/Why';
import { Choice } from '@/ui/Choice';
import { percent } from '@/words/units';
import { adviceOf } from '@/work/intake/facts';
import type { RouteScreenState } from './useRouteScreen';
import { t } from '@/words/intake';

/** Which face is worked on. */
export function FaceAndJoint({ here: { job, facts, settings, setPicked, log, route } }: { here: RouteScreenState }) {
  return job.model.bonds.length > 1 ? (
    <View className="mt-3">
      <Choice
        label={t('sideThatIsWorkedOn')}
        value={job.bond.id}
        options={job.model.bonds.map((b) => ({
          id: b.id,
          name: job.model.faces.find((f) => f.id === b.onFace)?.name ?? b.onFace,
        }))}
        onChange={(bondId) => {
          const next = job.model.bonds.find((b) => b.id === bondId)!;
          const face = faceView(job.model, next);
          const first = adviceOf(
            {
              ...facts,
              construction: face.device.faces.find((f) => f.id === next.onFace)!.construction,
              side: face.device.faces.find((f) => f.id === next.onFace)!.side,
            },
            job,
            settings,
          ).best;
          setPicked(null);
          if (first) void log([{ ...route({}, first), bondId } as NewEvent]);
        }}
      />
    </View>
  ) : null;
}

/** Why this way. */
export function RouteWhy({ here: { job, facts, advice, money, option } }: { here: RouteScreenState }) {
  return (
    <Why
      job={job}
      call="route"
      inputs={{ facts }}
      computed={{ options: advice.options.map((o) => ({ id: o.id, mean: Math.round(o.cost.mean) })) }}
      notes={[
        t('chancesAreBetaDistributionsAFirst', {
          value: priorWeight.value,
          value2: breakWeight.value,
          done: facts.counts.done,
          saved: facts.counts.saved,
        }),
        ...(advice.saveOrNew
          ? [
              t('breakEvenChanceKnowingTheChance', {
                pStar: percent(advice.saveOrNew.pStar),
                evpi: money(advice.saveOrNew.evpi),
              }),
            ]
          : []),
      ]}
      rows={[
        rowOf(t('comeBacksNewGenuineGlass'), comebackChance.genuine, ''),
        rowOf(t('comeBacksAftermarketGlass'), comebackChance.aftermarket, ''),
        rowOf(t('damageInsideThisWork'), damageChance[option?.work ?? 'glassOnly'], ''),
        rowOf(t('tooCloseToCallFrom'), closeCall.low, ''),
        rowOf(t('weightOfAFirstFigure'), priorWeight, 'jobs'),
      ]}
    />
  );
}
