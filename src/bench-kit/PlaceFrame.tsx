import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';

import { StopCard } from '@/ui/StopCard';
import { Txt } from '@/ui/Txt';
import { time } from '@/words/units';
import { PlacesNav } from './PlacesNav';
import type { HelpTopic } from '@/words/helpText';
import { HelpLink } from './HelpLink';
import { useNow } from './useNow';
import { t } from '@/words/kit';

/** Frame of a place: its name, the other places, content, and the action bar at the foot. */
export function PlaceFrame({
  title,
  line,
  children,
  actions,
  full = false,
  help,
}: {
  title: string;
  line?: string;
  children: ReactNode;
  actions?: ReactNode;
  /** pictures and lists beside each other: all of a wide screen */
  full?: boolean;
  /** which page of help it has */
  help?: HelpTopic;
}) {
  const now = useNow(10_000);
  const room = full ? 'max-w-[1840px]' : 'max-w-[1080px]';
  return (
    <View className="flex-1 bg-paper">
      <View role="banner" className={`px-4 pt-3 w-full ${room} self-center`}>
        <View className="flex-row gap-2 items-start">
          <PlacesNav />
          <StopCard />
        </View>
        <View className="flex-row justify-between items-baseline">
          <Txt strong size="l" level={1} className="flex-1">
            {title}
          </Txt>
          <Txt num tone="ink2">
            {time(now)}
          </Txt>
        </View>
        {line ? (
          <Txt size="s" tone="ink2">
            {line}
          </Txt>
        ) : null}
      </View>
      <ScrollView
        className="flex-1"
        contentContainerClassName={`px-4 pt-2 pb-4 w-full ${room} self-center`}
        role="main"
      >
        {children}
        {help ? <HelpLink topic={help} /> : null}
      </ScrollView>
      {actions ? (
        <View role="region" aria-label={t('actions')} className="border-t-[1.5px] border-ink bg-panel">
          <View className={`px-4 py-3 flex-row gap-3 w-full ${room} self-center`}>{actions}</View>
        </View>
      ) : null}
    </View>
  );
}
