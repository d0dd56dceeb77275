import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';

import { useDevices, useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/bench';
import { readTemperature } from '@/work/lookup/temperature';
import { cureAnswers, thingsOf } from '@/work/lookup/things';
import type { textSearch } from '@/work/textSearch';
import { lazySearch } from './lazySearch';
import { listedThing, wordsOf, type Listed } from './lookupWords';

/** Shown at once: what is further down is found by one word more. */
const most = 8;

/** Finds models, glues, heaters, parts, steps and jobs, and answers the handful of questions that benches ask, in the list itself. */
export function FindBox() {
  const [typed, setTyped] = useState('');
  return (
    <View className="mb-3" accessibilityRole="search" aria-label={t('find')}>
      <View className="flex-row gap-2 items-center">
        <TextBox
          aria-label={t('find')}
          placeholder={t('findHint')}
          value={typed}
          maxLength={80}
          onChangeText={setTyped}
          className="flex-1"
        />
        {typed ? <Button kind="small" label={t('clearIt')} onPress={() => setTyped('')} /> : null}
      </View>
      {typed.trim() ? <Answers typed={typed} /> : null}
    </View>
  );
}

/** The list is made when something is typed, and not before. */
function Answers({ typed }: { typed: string }) {
  const router = useRouter();
  const jobs = useJobs();
  const devices = useDevices();
  const settings = useSettings();
  const [search, setSearch] = useState<{ by: typeof textSearch } | null>(null);
  useEffect(() => {
    let gone = false;
    void lazySearch().then((by) => {
      if (!gone) setSearch({ by });
    });
    return () => {
      gone = true;
    };
  }, []);
  const nameOf = useMemo(() => {
    const names = new Map(devices.map((d) => [d.device.id, d.device.name]));
    return (id: string) => names.get(id) ?? id;
  }, [devices]);
  const find = useMemo(() => {
    if (!search) return null;
    const all = thingsOf(
      jobs,
      devices.map((d) => d.device),
      settings,
    ).map((x) => {
      const l = listedThing(x, settings, nameOf);
      return { l, words: wordsOf(x, l) };
    });
    return search.by(all, (x) => x.words);
  }, [search, jobs, devices, settings, nameOf]);
  const found = useMemo((): Listed[] | null => {
    if (!find || !search) return null;
    const { tC, rest, sure } = readTemperature(typed, settings.temperature);
    const plain = find(typed).map((x) => x.l);
    // "cure at 15" asks for every glue; "cure" alone for the room as it is
    const cures = cureAnswers(settings, tC ?? settings.roomC).map((x) => {
      const l = listedThing(x, settings, nameOf);
      return { l, words: wordsOf(x, l) };
    });
    const asked = rest.replace(/[?!]/g, ' ').trim();
    const answers =
      asked || sure
        ? search
            .by(
              cures,
              (x) => x.words,
            )(asked)
            .map((x) => x.l)
        : [];
    return sure || !plain.length ? [...answers, ...plain] : [...plain, ...answers];
  }, [find, search, typed, settings, nameOf]);
  if (!found) return null;
  return (
    <View className="border-[1.5px] border-ink bg-panel px-3 mt-2" testID="found">
      <Txt size="s" tone="ink2" role="status" className="py-1">
        {found.length ? t('foundCount', { count: found.length }) : t('nothingFound')}
      </Txt>
      <View role="list" aria-label={t('find')}>
        {found.slice(0, most).map((l) => (
          <View key={l.key} role="listitem" className="border-t border-rule">
            {l.to ? (
              <Pressable
                role="link"
                aria-label={`${l.title}. ${l.line}`}
                onPress={() => router.push(l.to!)}
                className="min-h-touch justify-center py-1"
              >
                <Txt strong>{l.title}</Txt>
                <Txt size="s">{l.line}</Txt>
              </Pressable>
            ) : (
              <View className="min-h-touch justify-center py-1">
                <Txt strong>{l.title}</Txt>
                <Txt size="s">{l.line}</Txt>
              </View>
            )}
          </View>
        ))}
      </View>
    </View>
  );
}
