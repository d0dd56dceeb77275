import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import type { PlanSize } from '@/bench-kit/StageShell';
import { transferred, type StripWork } from '@/work/strip/stripJob';
import { Numbers } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { t as tr } from '@/words/strip';
import { said } from '@/words/codes';
import { told } from '@/words/told';

/** The old shell with what is still on it beside the new one with what is over: the same places on both. */
export function ShellPair({
  job,
  work,
  size,
  next,
}: {
  job: JobState;
  work: StripWork;
  size: PlanSize;
  next: string | null;
}) {
  const small = work.transfer.filter((t) => t.kind !== 'part');
  const at = (id: string) => job.device.pieces.find((p) => p.id === id)!.at;
  const half = { width: Math.floor(size.width / 2) - 2, height: Math.floor(size.height * 0.86) };
  const one = (which: 'old' | 'new') => {
    const shown = small.filter((t) =>
      which === 'old' ? !transferred(job, t) && t.way !== 'peel' : transferred(job, t) || t.way === 'peel',
    );
    return (
      <View>
        <Txt size="s" strong>
          {said(which)}
        </Txt>
        <PlainPlan
          job={job}
          size={half}
          bare
          label={tr('housingPieces', { which: said(which), count: shown.length })}
          lines={shown.map((t) => told(t.name))}
        >
          <Numbers
            items={shown.map((t) => ({
              at: at(t.id),
              text:
                which === 'old'
                  ? String(small.indexOf(t) + 1)
                  : t.way === 'peel' && !transferred(job, t)
                    ? String(small.indexOf(t) + 1)
                    : '✓',
              state: t.id === next ? ('next' as const) : which === 'old' ? ('todo' as const) : ('done' as const),
            }))}
          />
        </PlainPlan>
      </View>
    );
  };
  return (
    <View className="flex-row gap-1" style={{ width: size.width }}>
      {one('old')}
      {one('new')}
    </View>
  );
}
