import { useRouter, type Href } from 'expo-router';
import { View } from 'react-native';

import { jointOf } from '@/core/device/jointKinds';
import { faceView } from '@/core/device/faceView';
import type { Device } from '@/core/device/types';
import { faceName } from '@/bench-kit/faceName';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { Plan } from '@/ui/plan/Plan';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/shelf';
import { told } from '@/words/told';
import { length, listed } from '@/words/units';
import { LearnedOfModel } from './LearnedOfModel';

/** A model beside the list: its plan with what must not be touched, what holds it, what the shop has learned, what can be done. */
export default function ModelDetail({ device }: { device: Device }) {
  const router = useRouter();
  const settings = useSettings();
  const first = device.bonds[0]!;
  const view = faceView(device, first);
  return (
    <View className="flex-row gap-4 pb-4">
      <Plan
        device={view.device}
        bond={view.bond}
        width={260}
        height={460}
        bare
        label={t('planOf', { name: device.name })}
        lines={[]}
      >
        <DeviceBody />
        <DeviceLines />
      </Plan>
      <View className="flex-1">
        <Txt strong size="l" level={2}>
          {device.name}
        </Txt>
        {device.bonds.map((b) => (
          <Txt key={b.id} className="mt-1">
            {`${faceName(device, b.id)}: ${told(jointOf(b).name ?? t('ringOf', { width: length(b.widthMm, settings, 1) }))}`}
          </Txt>
        ))}
        <Txt className="mt-1">
          {device.cables.length
            ? t('cablesAre', { cables: listed(device.cables.map((c) => told(c.name))) })
            : t('noCable')}
        </Txt>
        <View className="my-4 gap-3">
          <Button
            kind="main"
            label={t('newJobWithIt')}
            onPress={() => router.push(`/jobs/new?model=${device.id}` as Href)}
          />
          <Button label={t('openTheModel')} onPress={() => router.push(`/shelf/${device.id}` as Href)} />
          <Button label={t('benchCard')} onPress={() => router.push(`/shelf/${device.id}/card` as Href)} />
        </View>
        <LearnedOfModel id={device.id} />
      </View>
    </View>
  );
}
