import { useEffect, useState } from 'react';
import { View } from 'react-native';

import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { JobState } from '@/model/fold';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import type { Thumb } from '@/ui/thumb';
import { Txt } from '@/ui/Txt';
import { length, lengthNumber, lengthValue, typedToMm } from '@/words/units';
import type { Settings } from '@/model/settings';
import { speak } from './speak';
import { t } from '@/words/kit';

/** The points as text: number, place, value or that it is missing. */
export const gaugeLines = (
  points: readonly GaugePoint[],
  values: Readonly<Record<string, number>>,
  placeOf: (p: GaugePoint) => string,
  units: Pick<Settings, 'temperature' | 'length'>,
): string[] =>
  points.map((p, i) => {
    const mm = values[p.id];
    return `${i + 1}. ${placeOf(p)}: ${mm === undefined ? t('notMeasured') : length(mm, units, 2)}`;
  });

/** The event that holds the value of a point now, for taking it back. */
export const lastReading = (
  job: JobState,
  quantity: 'gapMm' | 'stepMm' | 'seatMm',
  point: string,
): string | undefined =>
  job.effective.findLast((e) => e.type === 'reading' && e.quantity === quantity && e.point === point)?.id;

interface GaugeEntryProps {
  points: readonly GaugePoint[];
  values: Readonly<Record<string, number>>;
  name: string;
  lowMm: number;
  highMm: number;
  units: Pick<Settings, 'temperature' | 'length'>;
  onValue: (id: string, mm: number) => void;
  onClear: (id: string) => void;
  placeOf: (p: GaugePoint) => string;
  /** reads an instrument at a point instead of typing */
  onRead?: (p: GaugePoint) => Promise<{ mm: number } | { problem: string }>;
  /** keys at the foot of the screen, where there are some */
  thumb?: Thumb | undefined;
}

/** Guides from point to point: one number at a time, Enter goes on. */
export function GaugeEntry(p: GaugeEntryProps) {
  const next = p.points.find((q) => p.values[q.id] === undefined);
  const done = p.points.filter((q) => p.values[q.id] !== undefined);
  const last = done[done.length - 1];
  const d = p.units.length === 'mm' ? 2 : 3;
  const { spoken } = useSettings();
  const [problem, setProblem] = useState<string | null>(null);
  const name = next ? `${p.name} ${p.points.indexOf(next) + 1}` : null;
  const nextPlace = next ? p.placeOf(next) : '';
  // only after the first one: nothing speaks before somebody has begun
  const begun = done.length > 0;
  useEffect(() => {
    if (begun) speak(name ? `${name}: ${nextPlace}` : t('allPointsAreIn', { n: p.points.length }), spoken);
  }, [begun, name, nextPlace, p.points.length, spoken]);
  const readNext = async () => {
    if (!next || !p.onRead) return;
    const r = await p.onRead(next);
    setProblem('problem' in r ? r.problem : null);
    if ('mm' in r) p.onValue(next.id, r.mm);
  };
  return (
    <View className="mt-1">
      {next ? (
        <NumberField
          key={next.id}
          autoFocus={!p.thumb && done.length > 0}
          label={t('of', {
            name: p.name,
            next: p.points.indexOf(next) + 1,
            n: p.points.length,
            next2: p.placeOf(next),
          })}
          unit={p.units.length}
          low={lengthValue(p.lowMm, p.units, 2)}
          high={lengthValue(p.highMm, p.units, 2)}
          digits={d}
          value={null}
          onCommit={(v) => p.onValue(next.id, typedToMm(v, p.units))}
          thumb={p.thumb}
        />
      ) : (
        <Txt strong>{t('allPointsAreIn2', { n: p.points.length })}</Txt>
      )}
      {next && p.onRead ? (
        <View className="mb-2">
          <Button kind="small" label={t('readTheGauge')} onPress={() => void readNext()} />
        </View>
      ) : null}
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {problem}
          </Txt>
        </View>
      ) : null}
      {last ? (
        <View className="flex-row items-center gap-2">
          <Txt size="s" tone="ink2" className="flex-1">
            {t('last', {
              last: p.placeOf(last),
              id: lengthNumber(p.values[last.id]!, p.units, 2),
              n: p.units.length,
            })}
          </Txt>
          <Button kind="small" label={t('measureItAgain')} onPress={() => p.onClear(last.id)} />
        </View>
      ) : null}
    </View>
  );
}
