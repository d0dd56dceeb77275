import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { readFile } from '@/model/files';
import { takeIn, useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { pickText } from '@/ui/download';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';

const words = {
  ringGlass: 'glass on a ring',
  ringPlastic: 'plastic on a ring',
  fullGlass: 'glass glued all over',
  clipped: 'clips',
  lensInRing: 'lens covers in rings',
  frameLens: 'lens glass in a frame',
};

export function ShelfScreen() {
  const devices = useDevices();
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);
  const importModel = async () => {
    const file = await pickText('.json,application/json');
    if (!file) return;
    const read = readFile(file.text);
    if (!read.ok) return setMessage({ text: `${file.name}: ${read.problem}. Nothing was changed.`, bad: true });
    const [device] = read.value.devices;
    if (!device || read.value.jobs.length)
      return setMessage({
        text: `${file.name}: not a device model; jobs and backups go in through the Shop. Nothing was changed.`,
        bad: true,
      });
    const known = devices.find((d) => d.device.id === device.id);
    const version = known ? known.device.version + 1 : device.version;
    try {
      await takeIn([], null, { devices: [{ ...device, version }] });
      setMessage({ text: `${file.name}: ${device.name} is on the shelf, version ${version}.`, bad: false });
    } catch (e) {
      setMessage({ text: `${file.name}: ${e instanceof Error ? e.message : 'not taken in'}.`, bad: true });
    }
  };
  return (
    <PlaceFrame
      title="Shelf"
      line={`${devices.length} device models`}
      actions={
        <View className="flex-1">
          <Button label="Import a device model" onPress={() => void importModel()} />
        </View>
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
      <View role="list" aria-label="Device models">
        {devices.map(({ device, own }) => (
          <View key={device.id} role="listitem">
            <Link href={`/shelf/${device.id}` as Href} asChild>
              <Pressable aria-label={device.name} className="min-h-[60px] justify-center border-b border-rule py-2">
                <Txt strong>{device.name}</Txt>
                <Txt size="s" tone="ink2">
                  {own ? `own, version ${device.version}` : 'shipped'} · {device.kind} ·{' '}
                  {[...new Set(device.faces.map((f) => words[f.construction]))].join(', ')}
                  {device.leaves.length > 1 ? ' · two leaves' : ''}
                  {device.faces.some((f) => f.id === device.insideThrough && f.side === 'front')
                    ? ' · opened from the front'
                    : ''}
                </Txt>
              </Pressable>
            </Link>
          </View>
        ))}
      </View>
      <Txt size="s" tone="ink2" className="mt-3">
        To make a new model, open the one nearest to it and duplicate it.
      </Txt>
    </PlaceFrame>
  );
}
