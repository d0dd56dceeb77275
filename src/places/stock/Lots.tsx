import { dayMonth, dayMonthYear, digits as inDigits } from '@/words/units';
import { useState } from 'react';
import { View } from 'react-native';

import { goodUntil } from '@/core/stock/firstOut';
import type { Lot, StockMove } from '@/model/settings';
import { newId } from '@/store/ids';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/stock';

const day = 86400e3;

interface LotsProps {
  name: string;
  unit: string;
  /** as they are now, what the jobs took drawn off */
  lots: readonly Lot[];
  /** which is taken next */
  next: string | null;
  now: number;
  digits: number;
  /** size of a new one */
  pack: number;
  onChange: (lots: Lot[], what: 'counted' | 'scrapped' | 'arrived', lot: NonNullable<StockMove['lot']>) => void;
}

type Change = NonNullable<StockMove['lot']>['change'];

/** What there is of a lot, until when it is good, and whether it is the next one. */
function lotLine(l: Lot, { unit, digits, next, now }: Pick<LotsProps, 'unit' | 'digits' | 'next' | 'now'>): string {
  const until = goodUntil(l);
  const what = {
    id: l.id,
    amount: unit === 'pieces' ? t('pieces', { count: Math.round(l.qty) }) : `${inDigits(l.qty, digits)} ${unit}`,
    part: l.openedAt === null ? '' : t('openSince', { openedAt: dayMonth(l.openedAt) }),
  };
  const mine = l.id === next;
  if (!Number.isFinite(until)) return mine ? t('takeThisOne', what) : `${what.id}: ${what.amount}${what.part}`;
  if (until < now) {
    const past = { ...what, until: dayMonth(until) };
    return mine ? t('pastItsDateTakeThisOne', past) : t('pastItsDate', past);
  }
  const good = { ...what, until: dayMonthYear(until) };
  return mine ? t('goodUntilTakeThisOne', good) : t('goodUntil', good);
}

interface LotEditProps extends Pick<LotsProps, 'name' | 'unit' | 'digits' | 'now'> {
  lot: Lot;
  put: (id: string, c: Partial<Lot>, change: Change) => void;
  onThrow: () => void;
}

/** One lot: counted, dated, opened, thrown away. */
function LotEdit({ lot: l, name, unit, digits, now, put, onThrow }: LotEditProps) {
  return (
    <View className="py-2">
      <NumberField
        label={t('countedInOf', { id: l.id, name })}
        unit={unit}
        low={0}
        high={10000}
        digits={digits}
        value={Number(l.qty.toFixed(digits))}
        onCommit={(qty) => put(l.id, { qty }, 'qty')}
      />
      <NumberField
        label={t('ofIsGoodFor', { id: l.id, name })}
        unit="days"
        low={0}
        high={3650}
        value={l.expiresAt === null ? null : Math.max(0, Math.ceil((l.expiresAt - now) / day))}
        onCommit={(v) => put(l.id, { expiresAt: now + v * day }, 'date')}
      />
      <NumberField
        label={t('ofOnceOpenIsGoodFor', { id: l.id, name })}
        unit="days"
        low={0}
        high={3650}
        value={l.openLifeDays}
        onCommit={(v) => put(l.id, { openLifeDays: v }, 'openLife')}
      />
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Button
            kind="small"
            label={l.openedAt === null ? t('isOpenFromToday', { id: l.id }) : t('isNotOpen', { id: l.id })}
            onPress={() => put(l.id, { openedAt: l.openedAt === null ? now : null }, 'open')}
          />
        </View>
        <View className="flex-1">
          <Button kind="small" label={t('throwAway', { id: l.id })} onPress={onThrow} />
        </View>
      </View>
    </View>
  );
}

/** Tubes or packets with their dates: what goes off first is taken first. */
export function Lots({ name, unit, lots, next, now, digits, pack, onChange }: LotsProps) {
  const [open, setOpen] = useState<string | null>(null);
  const put = (id: string, c: Partial<Lot>, change: Change) =>
    onChange(
      lots.map((l) => (l.id === id ? { ...l, ...c } : l)),
      'counted',
      { id, change },
    );
  const sorted = [...lots].sort((a, b) => goodUntil(a) - goodUntil(b));
  return (
    <View>
      <View {...(sorted.length ? { role: 'list' as const, 'aria-label': t('lotsOf', { name }) } : {})}>
        {sorted.map((l) => {
          const until = goodUntil(l);
          const over = until < now;
          return (
            <View key={l.id} role="listitem" className="border-b border-rule py-1">
              <View className="flex-row items-center gap-2">
                <Txt className="flex-1" tone={over ? 'caution' : 'ink'}>
                  {lotLine(l, { unit, digits, next, now })}
                </Txt>
                <Button
                  kind="small"
                  label={open === l.id ? t('done') : t('change')}
                  say={open === l.id ? t('doneWithOf', { id: l.id, name }) : t('changeOf', { id: l.id, name })}
                  onPress={() => setOpen(open === l.id ? null : l.id)}
                />
              </View>
              {open === l.id ? (
                <LotEdit
                  lot={l}
                  name={name}
                  unit={unit}
                  digits={digits}
                  now={now}
                  put={put}
                  onThrow={() => {
                    setOpen(null);
                    onChange(
                      lots.filter((x) => x.id !== l.id),
                      'scrapped',
                      { id: l.id, change: 'gone' },
                    );
                  }}
                />
              ) : null}
            </View>
          );
        })}
      </View>
      <View className="mt-2">
        <Button
          kind="small"
          label={unit === 'ml' ? t('anotherTubeOfMl', { pack }) : t('anotherPacketOfOne')}
          say={unit === 'ml' ? t('anotherTubeOfMl2', { pack, name }) : t('anotherPacketOfOne2', { name })}
          disabled={lots.length >= 40}
          onPress={() => {
            const id = newId().slice(0, 5);
            onChange(
              [
                ...lots,
                {
                  id,
                  qty: pack,
                  expiresAt: null,
                  openedAt: null,
                  openLifeDays: lots[0]?.openLifeDays ?? null,
                },
              ],
              'arrived',
              { id, change: 'new' },
            );
          }}
        />
      </View>
    </View>
  );
}
