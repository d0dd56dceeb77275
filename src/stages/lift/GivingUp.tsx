import { useRouter, type Href } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';

import { airsOf } from '@/model/settings';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { hrefAt } from '@/bench-kit/stageHref';
import { useJobs, useSettings } from '@/store/shop';
import { airUse, usualOf } from '@/work/heat/heatPlan';
import { givingUp, piecesRound, roundOf, type NextWay } from '@/work/lift/givingUp';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { length, price, span, spoken } from '@/words/units';
import { t } from '@/words/lift';
import type { RingNow } from './useRing';

const names = {
  get air() {
    return t('wayAir');
  },
  get alcohol() {
    return t('wayAlcohol');
  },
  get pieces() {
    return t('wayPieces');
  },
  get writeOff() {
    return t('wayWriteOff');
  },
} as const satisfies Record<NextWay['id'], string>;

/** Little came free for long: the next way, with what it takes from here. */
export function GivingUp({
  job,
  ring: { thermal, lift },
  now,
  pieces = false,
}: {
  job: JobState;
  ring: Pick<RingNow, 'thermal' | 'lift'>;
  now: number;
  pieces?: boolean;
}) {
  const settings = useSettings();
  const jobs = useJobs();
  const router = useRouter();
  const { log, decide } = useActions(job);
  const { path } = thermal;
  const minute = Math.floor(now / 60_000) * 60_000;
  const found = useMemo(
    () => givingUp(job, jobs, settings, minute, pieces ? piecesRound(job, path) : roundOf(job, path)),
    [job, jobs, settings, minute, path, pieces],
  );
  // whoever goes on all the same is asked again when something else came of it
  const kept = job.decisions.findLast((d) => d.call === 'givingUp');
  const since = job.effective.findLast((e) => e.type === 'edge' || e.type === 'cut' || e.type === 'pieceOff')?.at ?? 0;
  if (!found || (kept && kept.chosen === 'goOn' && kept.at >= since)) return null;
  const { progress, ways, shortHeats } = found;
  const take = (chosen: NextWay['id'] | 'goOn') => {
    const decision = decide({
      call: 'givingUp',
      inputs: { quietS: progress.quietS, mmPerMin: progress.mmPerMin, usualMmPerMin: progress.usualMmPerMin },
      computed: ways,
      chosen,
    });
    const [air] = airsOf(settings);
    const step = lift.steps.find((s) => !job.freeEdges.has(s.edge));
    const more: NewEvent[] =
      chosen === 'air' && air
        ? [
            {
              type: 'heatPlan',
              setC: usualOf(air),
              pickMm: lift.pickMm,
              preheated: false,
              heater: air.id,
              use: airUse('strip', job, step, path.lengthMm),
            },
          ]
        : chosen === 'pieces'
          ? [{ type: 'liftMode', mode: 'pieces' }]
          : chosen === 'writeOff'
            ? [{ type: 'writeOff', why: 'cost', note: '' }]
            : [];
    void log([decision, ...more]);
    if (chosen === 'air') router.replace(hrefAt(job, 'heat'));
    if (chosen === 'alcohol') router.push(`/jobs/${job.id}/alcohol` as Href);
  };
  return (
    <View className="my-2 border-[1.5px] border-caution px-3 py-2" role="status" testID="givingUp">
      <Txt strong tone="caution">
        {shortHeats ? t('heatsBoughtLittle', { n: shortHeats }) : t('littleGain', { quiet: spoken(progress.quietS) })}
      </Txt>
      <Txt size="s" className="mb-1">
        {t('littleGainWhy', {
          usual: length(progress.usualMmPerMin, settings, 0),
          now: length(progress.mmPerMin, settings, 0),
        })}
      </Txt>
      {ways.map((w) => (
        <View key={w.id} className="flex-row items-center gap-2 py-1">
          <View className="flex-1">
            <Button kind="small" label={names[w.id]} onPress={() => take(w.id)} />
          </View>
          <Txt size="s" num className="flex-1">
            {t('wayTakes', { minutes: span(w.minutes * 60), price: price(w.costMinor, settings.money.currency) })}
          </Txt>
        </View>
      ))}
      <Button kind="small" label={t('goOnLikeThis')} onPress={() => take('goOn')} />
    </View>
  );
}
