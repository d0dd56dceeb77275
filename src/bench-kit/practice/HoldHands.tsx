import { useState } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { changePractice, type PracticeRun } from '@/store/practice';
import { nowMs, tellClocks } from '@/store/clock';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import { cureOf } from '@/work/cure/cureJob';
import { holdWays } from '@/work/cure/holdWays';
import { t } from '@/words/practice';
import { told } from '@/words/told';
import { useActions } from '../actions';
import { HandChoice } from './HandChoice';
import type { ClosingLab } from './useClosingLab';

const hourMs = 3_600_000;
/** What stands in the field before anybody thought about it. */
const guess = 4;

/** Time of the exercise goes by at once. */
const goOn = (ms: number) => {
  changePractice((r) => ({ ...r, simMs: r.simMs + ms }));
  tellClocks();
};

/** Until nine on the next day by the clock on the wall. */
function untilMorning(): number {
  const d = new Date(nowMs());
  d.setDate(d.getDate() + 1);
  // a second past it: what was settled on the way is never short of the hour
  d.setHours(9, 0, 1, 0);
  return d.getTime() - nowMs();
}

/** Clips on, hours, clips off, handed over. */
export function HoldHands({ run, job, lab }: { run: PracticeRun; job: JobState; lab: ClosingLab }) {
  const { log } = useActions(job);
  const ways = holdWays(job, run.settings, cureOf(job, run.settings, job.bonded?.at ?? run.startMs));
  const [id, setId] = useState(ways[0]!.id);
  const way = ways.find((w) => w.id === id) ?? ways[0]!;
  const [count, setCount] = useState<number | null>(null);
  const held = lab.state!.clamp !== null && lab.state!.offAtS === null;
  const stands = run.speed === 0;
  return (
    <>
      {/* guided, the page itself says with what */}
      {held || run.way === 'guided' ? null : (
        <>
          <View className="mt-2">
            <HandChoice
              label={t('holdBy')}
              value={way.id}
              options={ways.map((w) => ({ id: w.id, name: told(w.name) }))}
              onChange={setId}
            />
          </View>
          {way.id === 'hand' || way.id === 'bag' ? null : (
            <NumberField
              key={way.id}
              label={t('howMany')}
              unit=""
              low={1}
              high={60}
              value={count ?? guess}
              onCommit={(v) => setCount(Math.round(v))}
            />
          )}
        </>
      )}
      <View className="flex-row flex-wrap gap-2 mt-2">
        <Button
          kind="small"
          label={held ? t('takeOff') : t('putOn')}
          disabled={stands}
          onPress={() =>
            void log([
              held
                ? { type: 'clampOff', early: false }
                : {
                    ...{ type: 'clampOn', clip: way.name, forceN: way.forceN },
                    count: way.count === 0 ? 0 : run.way === 'guided' ? way.count : (count ?? guess),
                  },
            ])
          }
        />
        <Button kind="small" label={t('hourLater')} disabled={stands} onPress={() => goOn(hourMs)} />
        <Button kind="small" label={t('morningLater')} disabled={stands} onPress={() => goOn(untilMorning())} />
        <Button
          kind="small"
          label={t('handItOver')}
          disabled={stands || held}
          {...(held ? { why: t('saidHeldAlready') } : {})}
          onPress={() => lab.act({ kind: 'handOver' }, 0)}
        />
      </View>
    </>
  );
}
