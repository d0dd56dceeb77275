import { Link, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { readFile } from '@/model/files';
import { freshPhotos } from '@/model/restorePlan';
import { repository, takeIn, useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { pickText } from '@/ui/download';
import { MasterDetail, useMaster } from '@/bench-kit/MasterDetail';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/shelf';
import { ModelDetail } from './LazyModelDetail';
import { ModelRow } from './ModelRow';

export function ShelfScreen() {
  const devices = useDevices();
  const router = useRouter();
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);
  const master = useMaster(devices.map((d) => d.device.id));
  const chosen = devices.find((d) => d.device.id === master.chosen);
  const importModel = async () => {
    const file = await pickText('.json,application/json');
    if (!file) return;
    const read = readFile(file.text);
    if (!read.ok)
      return setMessage({ text: t('nothingWasChanged', { name: file.name, problem: read.problem }), bad: true });
    const [device] = read.value.devices;
    if (!device || read.value.jobs.length)
      return setMessage({
        text: t('notAPhoneModelJobsAnd', { name: file.name }),
        bad: true,
      });
    const known = devices.find((d) => d.device.id === device.id);
    const version = known ? known.device.version + 1 : device.version;
    try {
      const here = new Set(Object.keys(await repository.readPhotos(Object.keys(read.value.photos))));
      await takeIn([], null, { devices: [{ ...device, version }], photos: freshPhotos(read.value.photos, here) });
      setMessage({
        text: t('isAmongThePhoneModelsVersion', { name: file.name, name2: device.name, version }),
        bad: false,
      });
    } catch (e) {
      setMessage({ text: `${file.name}: ${e instanceof Error ? e.message : t('notTakenIn')}.`, bad: true });
    }
  };
  return (
    <PlaceFrame
      full={master.wide}
      help="models"
      title={t('phoneModels')}
      line={t('models', { count: devices.length })}
      actions={
        <>
          <View className="flex-1">
            <Button label={t('importAPhoneModel')} onPress={() => void importModel()} />
          </View>
          <View className="flex-1">
            <Button kind="main" label={t('makeANewModel')} onPress={() => router.push('/shelf/new' as Href)} />
          </View>
        </>
      }
    >
      {message ? (
        <View
          role={message.bad ? 'alert' : 'status'}
          className={`border-[1.5px] p-3 mb-3 bg-panel ${message.bad ? 'border-caution' : 'border-go'}`}
        >
          <Txt tone={message.bad ? 'caution' : 'ink'} testID="message">
            {message.text}
          </Txt>
        </View>
      ) : null}
      <MasterDetail
        label={t('chosenModel')}
        list={
          <View role="list" aria-label={t('phoneModels')}>
            {devices.map(({ device, own }) => (
              <View key={device.id} role="listitem">
                <ModelRow
                  device={device}
                  own={own}
                  onChoose={master.wide ? () => master.choose(device.id) : undefined}
                  chosen={device.id === master.chosen}
                />
              </View>
            ))}
          </View>
        }
        detail={chosen ? <ModelDetail key={chosen.device.id} device={chosen.device} /> : null}
      />
      <Link href={'/shelf/card' as Href} className="font-body text-m text-ink underline py-3 min-h-touch">
        {t('cardForSize')}
      </Link>
      <Txt size="s" tone="ink2" className="mt-3">
        {t('toMakeANewModelOpen')}
      </Txt>
    </PlaceFrame>
  );
}
