import { useState } from 'react';

import type { ReadFile } from '@/model/files';
import { freshPhotos, restorePlan, type RestorePlan } from '@/model/restorePlan';
import { type Settings } from '@/model/settings';
import { useFileRead } from '@/bench-kit/useFileRead';
import { endDemoDay } from '@/store/demoDay';
import { begunAnew } from '@/store/ownShop';
import { demoWriter } from '@/store/dropped';
import { noteTries, readTries } from '@/store/practiceTries';
import { repository, shopNow, takeIn, useShop } from '@/store/shop';
import { pickText } from '@/ui/download';
import { refused, type Told } from '@/ui/Message';
import { fileOf } from '@/workers/filesClient';
import { t } from '@/words/shop';

interface Waiting {
  name: string;
  file: ReadFile;
  plan: RestorePlan;
  photosHere: ReadonlySet<string>;
  /** nothing is here but the demo shop as it came: the file takes its place */
  inPlaceOfDemo: boolean;
}

/** How it stands: what Restore shows and does. */
export function useRestore({ tell }: { tell: (m: Told) => void }) {
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
      return tell(refused(e instanceof Error ? e.message : t('notRead')));
    }
    if (!chosen) return;
    // the file may be chosen before the log is read
    const here = await shopNow();
    const { name, text } = chosen;
    const read = await reading
      .read(name, (onShare) => fileOf(text, onShare))
      .catch((e: unknown) => ({ ok: false as const, problem: e instanceof Error ? e.message : t('notRead') }));
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
      plan: restorePlan(
        read.value,
        { jobs: here.jobs, settings: here.settings, devices: here.devices, tries: await readTries() },
        photosHere,
      ),
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
      if (waiting.inPlaceOfDemo) {
        endDemoDay();
        await begunAnew();
      }
      await noteTries(file.tries);
      if (settings) setBefore(here.settings);
      setWaiting(null);
      tell({
        text: clashed
          ? t('readNewEntriesHadTheNumber', { name, count: file.jobs.length, fresh, clashed })
          : t('readNewEntries', { name, count: file.jobs.length, fresh }),
        bad: false,
      });
    } catch (e) {
      tell({ text: `${name}: ${e instanceof Error ? e.message : t('notTakenIn')}.`, bad: true });
    }
  };
  const { plan } = waiting ?? {};
  return { before, setBefore, waiting, plan, withSettings, setWithSettings, setWaiting, shop, take, open, reading };
}
export type RestoreState = ReturnType<typeof useRestore>;
