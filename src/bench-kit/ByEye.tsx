import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { knownSpots, type EyeOf, type EyeSpot } from '@/core/fit/byEye';
import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { Pt } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Numbers } from '@/ui/plan/layers';
import { useActions } from './actions';
import { eyeWords } from '@/words/eyeWords';
import { t } from '@/words/kit';

/** A place that is looked at. */
type Looked = Pick<GaugePoint, 'id' | 'at' | 'normal'>;

export interface ByEye {
  /** last judgement; null: none was made */
  eye: JobState['eyes'][EyeOf] | null;
  /** places are being marked */
  marking: boolean;
  how: EyeSpot['how'];
  setHow: (how: EyeSpot['how']) => void;
  fine: () => void;
  notFine: () => void;
  toggle: (point: string) => void;
  /** a tap on the plan, while places are being marked */
  onTap: ((p: Pt) => void) | undefined;
  layer: ReactNode;
}

/**
 * One tap when all is well, taps on the plan where it is not; a gauge is for those who have one (law 23).
 * @param inMm how far inside its place a mark is drawn
 */
export function useByEye(job: JobState, of: EyeOf, points: readonly Looked[], off = false, inMm = 5): ByEye {
  const { log } = useActions(job);
  const [how, setHow] = useState<EyeSpot['how']>(of === 'gap' ? 'low' : 'high');
  const said = job.eyes[of];
  const eye = said ? { ...said, spots: knownSpots(points, said.spots) } : null;
  const marking = !off && eye !== null && !eye.fine;
  const put = (fine: boolean, spots: EyeSpot[]) => void log([{ type: 'eye', of, fine, spots }]);
  const toggle = (point: string) => {
    const spots = eye?.spots ?? [];
    const had = spots.find((s) => s.point === point);
    const rest = spots.filter((s) => s !== had);
    put(false, had?.how === how ? rest : [...rest, { point, how }]);
  };
  return {
    eye,
    marking,
    how,
    setHow,
    fine: () => put(true, []),
    notFine: () => put(false, []),
    toggle,
    onTap: marking
      ? (p) => {
          const far = (q: Looked) => Math.hypot(q.at[0] - p[0], q.at[1] - p[1]);
          const near = points.reduce<Looked | null>((m, q) => (m && far(m) <= far(q) ? m : q), null);
          // a gloved finger lands beside the edge: the nearest point is meant
          if (near) toggle(near.id);
        }
      : undefined,
    layer: marking ? (
      <Numbers
        items={points.map((p, i) => {
          const spot = eye.spots.find((s) => s.point === p.id);
          return {
            at: [p.at[0] - p.normal[0] * inMm, p.at[1] - p.normal[1] * inMm] as const,
            text: spot ? { high: '+', low: '−' }[spot.how] : String(i + 1),
            state: spot ? ('next' as const) : ('todo' as const),
          };
        })}
      />
    ) : null,
  };
}

/** What a tap on the plan marks, and the same places as a list. */
export function EyeMarks<P extends Looked>({
  by,
  of,
  points,
  placeOf,
}: {
  by: ByEye;
  of: EyeOf;
  points: readonly P[];
  placeOf: (p: P) => string;
}) {
  if (!by.marking) return null;
  const words = eyeWords[of];
  return (
    <View className="mt-1">
      <Choice
        label={t('aTapOnThePlanMarks')}
        value={by.how}
        options={[
          { id: 'high' as const, name: `${words.high} +` },
          { id: 'low' as const, name: `${words.low} −` },
        ]}
        onChange={by.setHow}
        hint={t('tapAMarkedPlaceAgainTo')}
      />
      <Disclosure title={t('placesAsAList')}>
        {points.map((p, i) => {
          const spot = by.eye?.spots.find((s) => s.point === p.id);
          return (
            <Tick
              key={p.id}
              label={`${i + 1}. ${placeOf(p)}`}
              on={spot !== undefined}
              onChange={() => by.toggle(p.id)}
              {...(spot ? { note: words[spot.how] } : {})}
            />
          );
        })}
      </Disclosure>
    </View>
  );
}

/** For those who have a gauge. */
export function MeasureInstead({ onPress }: { onPress: () => void }) {
  return (
    <View className="my-1">
      <Button label={t('measureInstead')} onPress={onPress} />
    </View>
  );
}
