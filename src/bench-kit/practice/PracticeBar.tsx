import { Pressable, View } from 'react-native';

import { changePractice, practiceSpeeds, type PracticeRun, type PracticeSpeed } from '@/store/practice';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/practice';
import { exerciseName } from '@/words/exerciseNames';
import { clock } from '@/words/units';

/** The clock of the exercise: how far it is, how fast it goes, and its stop for thinking. */
export function PracticeBar({ run, nowS }: { run: PracticeRun; nowS: number }) {
  return (
    <View
      className="bg-ink px-4 py-1 flex-row flex-wrap items-center gap-2 no-print"
      role="region"
      aria-label={t('clockRuns')}
    >
      <Txt size="s" strong tone="onInk" className="flex-1 min-w-[120px]">
        {t('practiceClock', { name: exerciseName(run.exercise), clock: clock(nowS) })}
      </Txt>
      <View role="radiogroup" aria-label={t('clockRuns')} className="flex-row gap-1">
        {practiceSpeeds.map((speed: PracticeSpeed) => {
          const on = run.speed === speed;
          const name = speed === 0 ? t('stands') : t('timesFaster', { n: speed });
          return (
            <Pressable
              key={speed}
              role="radio"
              aria-checked={on}
              aria-label={`${t('clockRuns')}: ${name}`}
              onPress={() => changePractice((r) => ({ ...r, speed }))}
              className={`min-h-touch min-w-touch px-2 items-center justify-center rounded-card border ${on ? 'bg-panel border-panel' : 'border-ink2'}`}
            >
              <Txt size="s" strong tone={on ? 'ink' : 'onInk'}>
                {name}
              </Txt>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}
