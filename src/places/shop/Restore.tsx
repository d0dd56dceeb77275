import { useState } from 'react';
import { View } from 'react-native';

import type { ReadFile } from '@/model/files';
import { freshPhotos, restorePlan, type RestorePlan } from '@/model/restorePlan';
import { settingsNames, type Settings } from '@/model/settings';
import { useFileRead } from '@/bench-kit/useFileRead';
import { demoWriter } from '@/store/repository';
import { repository, saveSettings, shopNow, takeIn, useShop } from '@/store/shop';
import { Button, HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { pickText } from '@/ui/download';
import { refused, type Told } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { fileOf } from '@/workers/filesClient';
import { Backup } from './Backup';

interface Waiting {
  name: string;
  file: ReadFile;
  plan: RestorePlan;
  photosHere: ReadonlySet<string>;
  /** nothing is here but the demo shop as it came: the file takes its place */
  inPlaceOfDemo: boolean;
}

const many = (n: number, one: string, more = `${one}s`) => `${n} ${n === 1 ? one : more}`;

/** A file is read as a whole, what it would do is said, and only then is it taken in. Nothing here is ever taken away. */
export function Restore({ tell }: { tell: (m: Told) => void }) {
  const { shop } = useShop();
  const [waiting, setWaiting] = useState<Waiting | null>(null);
  const [withSettings, setWithSettings] = useState(false);
  const [before, setBefore] = useState<Settings | null>(null);
  const reading = useFileRead();
  const open = async (given?: { name: string; text: string }) => {
    let chosen: { name: string; text: string } | null = given ?? null;
    try {
      chosen ??= await pickText('.json,application/json', 80e6);
    } catch (e) {
      return tell(refused(e instanceof Error ? e.message : 'not read'));
    }
    if (!chosen) return;
    // the file may be chosen before the log is read
    const here = await shopNow();
    const { name, text } = chosen;
    const read = await reading
      .read(name, (onShare) => fileOf(text, onShare))
      .catch((e: unknown) => ({ ok: false as const, problem: e instanceof Error ? e.message : 'not read' }));
    if (!read.ok) {
      setWaiting(null);
      return tell(refused(`${chosen.name}: ${read.problem}`));
    }
    const inPlaceOfDemo =
      here.jobs.size > 0 && [...here.jobs.values()].every((l) => l.every((e) => e.writer === demoWriter));
    const photosHere = new Set(Object.keys(await repository.readPhotos(Object.keys(read.value.photos))));
    setWaiting({
      name: chosen.name,
      file: read.value,
      plan: restorePlan(read.value, { jobs: here.jobs, settings: here.settings, devices: here.devices }, photosHere),
      photosHere,
      inPlaceOfDemo,
    });
    // a browser that has nothing of its own takes the settings too, unless somebody says otherwise
    setWithSettings(read.value.settings !== null && (here.jobs.size === 0 || inPlaceOfDemo));
  };
  const take = async () => {
    if (!waiting) return;
    const here = await shopNow();
    const { name, file, photosHere } = waiting;
    try {
      const settings = withSettings ? file.settings : null;
      const { fresh, clashed } = await takeIn(file.jobs, settings, {
        photos: freshPhotos(file.photos, photosHere),
        devices: file.devices,
        inPlaceOfDemo: waiting.inPlaceOfDemo,
      });
      if (settings) setBefore(here.settings);
      setWaiting(null);
      tell({
        text: `${name}: ${many(file.jobs.length, 'job')} read, ${fresh} new entries.${clashed ? ` ${clashed} had the number of another entry and were kept beside it.` : ''}`,
        bad: false,
      });
    } catch (e) {
      tell({ text: `${name}: ${e instanceof Error ? e.message : 'not taken in'}.`, bad: true });
    }
  };
  const { plan } = waiting ?? {};
  return (
    <View>
      <Button label="Import a file" onPress={() => void open()} />
      {reading.view}
      <Backup onOpen={open} />
      {waiting && plan ? (
        <View className="border-[1.5px] border-ink bg-panel p-3 mt-3 gap-1" testID="restore">
          <Txt strong>{waiting.name} would bring</Txt>
          <Txt>
            {many(plan.newJobs.length, 'new job')}
            {plan.newJobs.length
              ? `: ${plan.newJobs.slice(0, 6).join(', ')}${plan.newJobs.length > 6 ? ' …' : ''}`
              : ''}
          </Txt>
          <Txt>
            {many(plan.entries, 'new entry', 'new entries')}
            {plan.grown.length
              ? `, of them for jobs that are here: ${plan.grown.map((g) => `${g.label} ${g.entries}`).join(', ')}`
              : ''}
          </Txt>
          <Txt>
            {many(plan.devices, 'device model')}, {many(plan.photos, 'picture')}; {many(plan.sameJobs, 'job')} already
            here as in the file
          </Txt>
          {waiting.inPlaceOfDemo ? <Txt strong>It takes the place of the demo shop that is here.</Txt> : null}
          {plan.differing ? (
            <Txt tone="caution">
              {many(plan.differing, 'entry', 'entries')} stand here with other words under the same name: those here
              stay.
            </Txt>
          ) : null}
          {plan.settings === null ? null : plan.settings.length ? (
            <Tick
              label="Its settings instead of those here"
              note={`Different: ${plan.settings.map((k) => settingsNames[k as keyof Settings] ?? k).join(', ')}.`}
              on={withSettings}
              onChange={setWithSettings}
            />
          ) : (
            <Txt>Settings are the same.</Txt>
          )}
          <View className="flex-row gap-3 mt-2">
            <View className="flex-1">
              <Button label="Leave it" onPress={() => setWaiting(null)} />
            </View>
            <View className="flex-[2]">
              {withSettings && shop?.jobs.size && !waiting.inPlaceOfDemo ? (
                <HoldButton label="Take it in" onPress={() => void take()} />
              ) : (
                <Button kind="main" label="Take it in" onPress={() => void take()} />
              )}
            </View>
          </View>
        </View>
      ) : null}
      {before ? (
        <View className="mt-2 self-start">
          <Button
            kind="small"
            label="The earlier settings again"
            onPress={() => void saveSettings(before).then(() => setBefore(null))}
          />
        </View>
      ) : null}
    </View>
  );
}
