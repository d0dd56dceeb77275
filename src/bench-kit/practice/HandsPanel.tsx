import { useRouter, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/practice';

/** What hands have under a page: what came of it last, the way to how it went, and what they work with. */
export function HandsPanel({
  stage,
  open,
  text,
  serious,
  ended,
  children,
}: {
  stage: string;
  open: boolean;
  text: string | null;
  serious: boolean;
  /** it is over, or something happened that is worth a look already */
  ended: 'over' | 'soFar' | null;
  children: ReactNode;
}) {
  const router = useRouter();
  return (
    <View
      className="border-t-[1.5px] border-ink bg-panel px-4 no-print"
      role="region"
      aria-label={t('hands')}
      testID="hands"
    >
      <Disclosure key={stage} bare title={t('hands')} open={open}>
        <View role="status">
          <Txt strong tone={serious ? 'caution' : 'ink'}>
            {text}
          </Txt>
        </View>
        {ended ? (
          <View className="mt-2">
            <Button
              kind={ended === 'over' ? 'main' : 'small'}
              label={t('seeHowItWent')}
              onPress={() => router.push('/practice/debrief' as Href)}
            />
          </View>
        ) : null}
        {children}
      </Disclosure>
    </View>
  );
}
