import type { ReactNode } from 'react';
import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { Txt } from '@/ui/Txt';

interface PaperProps {
  testID: string;
  title: string;
  /** under the title */
  sub?: string;
  /** the device that it is about, as it looks */
  device: Pick<JobState, 'device' | 'face'> | null;
  /** attributes of its language, where that is the customer's */
  lang?: object;
  children: ReactNode;
}

/** Everything that leaves the bench on paper is of one hand: whose it is, what it is about, the device, then what it says. */
export function Paper({ testID, title, sub, device, lang = {}, children }: PaperProps) {
  const { card } = useSettings();
  return (
    <View className="sheet bg-panel border-[1.5px] border-ink rounded-card p-4 mt-3" testID={testID} {...lang}>
      {card.name || card.contact ? (
        <View className="flex-row flex-wrap justify-between gap-x-4 mb-2 pb-2 border-b border-rule" testID="head">
          <Txt strong>{card.name}</Txt>
          <Txt size="s" tone="ink2">
            {card.contact}
          </Txt>
        </View>
      ) : null}
      <View className="flex-row gap-3 items-start">
        <View className="flex-1">
          <Txt strong size="l" level={2}>
            {title}
          </Txt>
          {sub ? (
            <Txt size="s" tone="ink2">
              {sub}
            </Txt>
          ) : null}
        </View>
        {device ? <DeviceThumb device={device.device} face={device.face} heightPx={56} /> : null}
      </View>
      {children}
    </View>
  );
}
