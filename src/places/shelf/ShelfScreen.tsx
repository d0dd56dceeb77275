import { Link, useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { readFile } from '@/model/files';
import { freshPhotos } from '@/model/restorePlan';
import { repository, takeIn, useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { pickText } from '@/ui/download';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { guessedFacts } from '@/core/device/known';
import { coverKindOf } from '@/core/device/coverKinds';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/shelf';

const words = {
  get ringGlass() {
    return t('glassOnARing2');
  },
  get ringPlastic() {
    return t('plasticOnARing2');
  },
  get fullGlass() {
    return t('glassGluedAllOver2');
  },
  clipped: 'clips',
  get lensInRing() {
    return t('lensCoversInRings');
  },
  get frameLens() {
    return t('lensGlassInAFrame2');
  },
};

export function ShelfScreen() {
  const devices = useDevices();
  const router = useRouter();
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);
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
      title={t('phoneModels')}
      line={t('models', { length: devices.length })}
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
      <View role="list" aria-label={t('phoneModels')}>
        {devices.map(({ device, own }) => (
          <View key={device.id} role="listitem">
            <Link href={`/shelf/${device.id}` as Href} asChild>
              <Pressable
                aria-label={device.name}
                className="min-h-[60px] flex-row items-center gap-3 border-b border-rule py-2"
              >
                <DeviceThumb
                  device={device}
                  face={device.faces.find((f) => f.side === 'back' && !coverKindOf(f).lens)}
                />
                <View className="flex-1">
                  <Txt strong>{device.name}</Txt>
                  <Txt size="s" tone="ink2">
                    {device.leaves.length > 1
                      ? device.faces.some((f) => f.id === device.insideThrough && f.side === 'front')
                        ? t('twoHalvesOpensFromTheFront', {
                            part: own ? t('ownVersion', { version: device.version }) : t('shipped'),
                            kind: device.kind,
                            join: [...new Set(device.faces.map((f) => words[f.construction]))].join(', '),
                          })
                        : t('twoHalves', {
                            part: own ? t('ownVersion', { version: device.version }) : t('shipped'),
                            kind: device.kind,
                            join: [...new Set(device.faces.map((f) => words[f.construction]))].join(', '),
                          })
                      : device.faces.some((f) => f.id === device.insideThrough && f.side === 'front')
                        ? t('opensFromTheFront', {
                            part: own ? t('ownVersion', { version: device.version }) : t('shipped'),
                            kind: device.kind,
                            join: [...new Set(device.faces.map((f) => words[f.construction]))].join(', '),
                          })
                        : `${own ? t('ownVersion', { version: device.version }) : t('shipped')} · ${device.kind} · ${[...new Set(device.faces.map((f) => words[f.construction]))].join(', ')}`}
                  </Txt>
                  {guessedFacts(device).length ? (
                    <Txt size="s" tone="ink2">
                      {t('guessedInPart')}
                    </Txt>
                  ) : null}
                </View>
              </Pressable>
            </Link>
          </View>
        ))}
      </View>
      <Link href={'/shelf/card' as Href} className="font-body text-m text-ink underline py-3 min-h-touch">
        {t('cardForSize')}
      </Link>
      <Txt size="s" tone="ink2" className="mt-3">
        {t('toMakeANewModelOpen')}
      </Txt>
    </PlaceFrame>
  );
}
