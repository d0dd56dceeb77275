import { Pressable, View } from 'react-native';

import { CountTo, Ticking } from '@/bench-kit/CountTo';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/bench';

export interface NextShown {
  title: string;
  /** big figure: a countdown or a time */
  figure: string;
  /** the instant that a countdown counts to; null: the figure stands */
  countsTo: number | null;
  line: string;
  /** the same at another instant, where it has seconds in it */
  lineAt?: ((now: number) => string) | undefined;
  why: string | null;
}

/** What hands do next, large enough for half a metre and gloves. */
export function NextCard({ shown, who, onPress }: { shown: NextShown; who: string; onPress: () => void }) {
  return (
    <Pressable
      role="button"
      aria-label={t('next', { title: shown.title })}
      onPress={onPress}
      className="bg-ink rounded-card p-4 mt-1"
      testID="next"
    >
      <View className="flex-row justify-between">
        <Txt size="s" tone="onInk">
          {t('next2')}
        </Txt>
        <Txt size="s" tone="onInk">
          {who}
        </Txt>
      </View>
      <Txt strong size="xl" tone="onInk" level={2}>
        {shown.title}
      </Txt>
      <View className="flex-row justify-between items-end">
        {shown.countsTo === null ? (
          <Txt num strong size="huge" tone="onInk" testID="nextFigure">
            {shown.figure}
          </Txt>
        ) : (
          <CountTo at={shown.countsTo} size="huge" tone="onInk" testID="nextFigure" />
        )}
        {shown.lineAt ? (
          <Ticking of={shown.lineAt} size="s" tone="onInk" className="flex-1 text-right ml-3" testID="nextLine" />
        ) : (
          <Txt size="s" tone="onInk" className="flex-1 text-right ml-3" testID="nextLine">
            {shown.line}
          </Txt>
        )}
      </View>
      {shown.why ? (
        <Txt tone="onInk" className="mt-1" testID="whyFirst">
          {shown.why}
        </Txt>
      ) : null}
    </Pressable>
  );
}
