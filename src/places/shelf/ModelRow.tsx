import { Link, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';

import { coverKindOf } from '@/core/device/coverKinds';
import { guessedFacts } from '@/core/device/known';
import type { Device } from '@/core/device/types';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/shelf';
import { modelLine } from './modelLine';

interface ModelRowProps {
  device: Device;
  own: boolean;
  /** it is looked at beside the list instead of opened */
  onChoose: (() => void) | undefined;
  chosen: boolean;
}

/** A model in the list: as it looks, and what it is. */
export function ModelRow({ device, own, onChoose, chosen }: ModelRowProps) {
  const inside = (
    <>
      <DeviceThumb device={device} face={device.faces.find((f) => f.side === 'back' && !coverKindOf(f).lens)} />
      <View className="flex-1">
        <Txt strong>{device.name}</Txt>
        <Txt size="s" tone="ink2">
          {modelLine(device, own)}
        </Txt>
        {guessedFacts(device).length ? (
          <Txt size="s" tone="ink2">
            {t('guessedInPart')}
          </Txt>
        ) : null}
      </View>
    </>
  );
  const row = 'min-h-[60px] flex-row items-center gap-3 border-b border-rule py-2';
  return onChoose ? (
    <Pressable
      role="button"
      aria-label={device.name}
      aria-current={chosen ? 'true' : undefined}
      onPress={onChoose}
      className={`${row} ${chosen ? 'bg-panel border-l-4 border-l-ink pl-2' : 'pl-3'}`}
    >
      {inside}
    </Pressable>
  ) : (
    <Link href={`/shelf/${device.id}` as Href} asChild>
      <Pressable aria-label={device.name} className={row}>
        {inside}
      </Pressable>
    </Link>
  );
}
