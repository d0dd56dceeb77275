import { useMemo } from 'react';
import { View } from 'react-native';

import { adhesiveRecord } from '@/core/adhesives';
import type { Device } from '@/core/device/types';
import { StoredPhoto } from '@/bench-kit/StoredPhoto';
import { heaterOf, type Settings } from '@/model/settings';
import { useDevices, useJobs, useSettings } from '@/store/shop';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { comeBackNames } from '@/words/eventLine';
import { learnedText } from '@/words/learnedNames';
import { t } from '@/words/shelf';
import { stageName } from '@/words/stageWords';
import { told } from '@/words/told';
import { day, digits, listed, percent, temp } from '@/words/units';
import { modelHistory, type ModelHistory } from '@/work/devices/modelHistory';

/** The history of a model, made anew from the logs whenever they grow. */
export function useModelHistory(id: string): ModelHistory {
  const jobs = useJobs();
  const devices = useDevices();
  const settings = useSettings();
  return useMemo(
    () =>
      modelHistory(
        id,
        jobs,
        devices.map((d) => d.device),
        settings,
      ),
    [id, jobs, devices, settings],
  );
}

const minutes = (n: number) => t('minutesOf', { n: Math.max(1, Math.round(n)) });

/** Lines of what the shop has learned, the most telling first. */
export function learnedLines(h: ModelHistory, settings: Settings, nameOf: (id: string) => string): string[] {
  return [
    ...(h.jobs && h.lastAt !== null ? [t('jobsDone', { count: h.jobs, at: day(h.lastAt) })] : []),
    ...(h.open ? [t('jobsOpen', { n: h.open })] : []),
    ...(h.handsMin === null ? [] : [t('handsUsually', { minutes: minutes(h.handsMin) })]),
    ...(h.broke
      ? [
          t('brokeOf', {
            hits: h.broke.hits,
            of: h.broke.of,
            low: percent(h.broke.low),
            high: percent(h.broke.high),
          }),
        ]
      : []),
    ...h.heats.slice(0, 3).map((x) =>
      t('heatWorked', {
        name: told(heaterOf(settings, x.heater ?? undefined).name),
        setC: temp(x.setC, settings),
        minutes: minutes(x.minutes),
        reheats: digits(x.reheats, 1),
        joints: x.joints,
      }),
    ),
    ...h.glue.map((g) =>
      t('glueGave', {
        glue: told(adhesiveRecord(g.adhesive).name),
        factor: digits(g.factor, 2),
        low: digits(g.low, 2),
        high: digits(g.high, 2),
        seen: g.seen,
      }),
    ),
    ...(h.partsNotFit ? [t('partsThatDidNotFit', { count: h.partsNotFit })] : []),
    ...h.comeBacks.map((c) => t('cameBackFor', { label: c.label, cause: comeBackNames[c.cause] })),
    ...h.notes.map(({ note }) => t('noteFrom', { said: learnedText(note.what, note.text), from: note.from })),
    ...(h.last && h.order.length
      ? [t('orderDone', { label: h.last.label, list: listed(h.order.slice(0, 24).map((o) => nameOf(o.id))) })]
      : []),
    ...(h.sisters.length ? [t('toldWith', { list: listed(h.sisters.map(nameOf)) })] : []),
  ];
}

/** Names of models, and of what lies inside one, by their ids. */
export const nameIn =
  (device: Device | undefined, models: readonly Device[]) =>
  (x: string): string =>
    models.find((m) => m.id === x)?.name ??
    told(
      [...(device?.parts ?? []), ...(device?.connectors ?? []), ...(device?.pieces ?? [])].find((p) => p.id === x)
        ?.name ?? x,
    );

/** What the jobs on a model have taught this shop. */
export function LearnedOfModel({ id }: { id: string }) {
  const h = useModelHistory(id);
  const settings = useSettings();
  const devices = useDevices();
  const device = devices.find((d) => d.device.id === id)?.device;
  const nameOf = nameIn(
    device,
    devices.map((d) => d.device),
  );
  const lines = learnedLines(h, settings, nameOf);
  return (
    <Disclosure title={t('whatTheShopHasLearned')} open>
      <View testID="learned">
        {h.notes.some((n) => n.note.photo) ? (
          <View className="flex-row flex-wrap gap-2 mb-1">
            {h.notes.flatMap(({ note }) =>
              note.photo
                ? [<StoredPhoto key={note.id} id={note.photo} label={learnedText(note.what, note.text)} sizePx={96} />]
                : [],
            )}
          </View>
        ) : null}
        {lines.length ? lines.map((l, i) => <Txt key={i}>{l}</Txt>) : <Txt tone="ink2">{t('noJobsYet')}</Txt>}
        {h.stages.length ? (
          <Txt size="s" tone="ink2" className="mt-1">
            {listed(
              h.stages.map((s) => t('stageMinutesRow', { stage: stageName(s.stage), minutes: minutes(s.medianMin) })),
            )}
          </Txt>
        ) : null}
      </View>
    </Disclosure>
  );
}
