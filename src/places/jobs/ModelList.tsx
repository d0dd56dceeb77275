import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { coverKindOf } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import { cablesUnknown } from '@/core/device/known';
import type { Device } from '@/core/device/types';
import { useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { Txt } from '@/ui/Txt';
import { t as tr } from '@/words/jobs';
import { told } from '@/words/told';

function heldBy(d: Device): string {
  const b = d.bonds[0]!;
  const { name } = jointOf(b);
  return name ? told(name) : tr('mmRing', { widthMm: b.widthMm });
}

/** The models to choose from, and the way to one that is not among them. */
export function ModelList({ chosen, onChoose }: { chosen: string; onChoose: (id: string) => void }) {
  const router = useRouter();
  const devices = useDevices();
  // once one is chosen the list is out of the way, so that what is to be done is at hand
  const [listed, setListed] = useState(!chosen);
  return (
    <View role="radiogroup" aria-label={tr('device')}>
      {listed || !chosen ? (
        <View className="mb-2">
          <Button label={tr('notHereMakeAModel')} onPress={() => router.push('/shelf/new?from=job' as Href)} />
        </View>
      ) : null}
      {devices
        .filter(({ device: d }) => listed || !chosen || d.id === chosen)
        .map(({ device: d }) => (
          <Pressable
            key={d.id}
            role="radio"
            aria-checked={chosen === d.id}
            aria-label={d.name}
            onPress={() => {
              onChoose(d.id);
              setListed(false);
            }}
            className={`min-h-[60px] px-3 mb-2 flex-row items-center gap-3 rounded-card border-[1.5px] ${chosen === d.id ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
          >
            <DeviceThumb device={d} face={d.faces.find((f) => f.side === 'back' && !coverKindOf(f).lens)} />
            <View className="flex-1 py-1">
              <Txt strong tone={chosen === d.id ? 'onInk' : 'ink'}>
                {d.name}
              </Txt>
              <Txt size="s" tone={chosen === d.id ? 'onInk' : 'ink2'}>
                {told(d.kind)}, {heldBy(d)},{' '}
                {d.cables.length
                  ? d.cables.map((c) => told(c.name)).join(', ')
                  : cablesUnknown(d)
                    ? tr('cablesNotKnownYet')
                    : tr('noCableToTheBack')}
              </Txt>
            </View>
          </Pressable>
        ))}
      {listed || !chosen ? null : (
        <View className="self-start mb-2">
          <Button kind="small" label={tr('anotherModel')} onPress={() => setListed(true)} />
        </View>
      )}
    </View>
  );
}
