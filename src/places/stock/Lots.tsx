import { format } from 'date-fns/format';
import { useState } from 'react';
import { View } from 'react-native';

import { goodUntil } from '@/core/stock/firstOut';
import type { Lot } from '@/model/settings';
import { newId } from '@/store/ids';
import { Button } from '@/ui/Button';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';

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
  onChange: (lots: Lot[], what: 'counted' | 'scrapped' | 'arrived', note: string) => void;
}

/** Tubes or packets with their dates: what goes off first is taken first. */
export function Lots({ name, unit, lots, next, now, digits, pack, onChange }: LotsProps) {
  const [open, setOpen] = useState<string | null>(null);
  const put = (id: string, c: Partial<Lot>, note: string) =>
    onChange(
      lots.map((l) => (l.id === id ? { ...l, ...c } : l)),
      'counted',
      note,
    );
  const sorted = [...lots].sort((a, b) => goodUntil(a) - goodUntil(b));
  return (
    <View>
      <View {...(sorted.length ? { role: 'list' as const, 'aria-label': `Lots of ${name}` } : {})}>
        {sorted.map((l) => {
          const until = goodUntil(l);
          const over = until < now;
          return (
            <View key={l.id} role="listitem" className="border-b border-rule py-1">
              <View className="flex-row items-center gap-2">
                <Txt className="flex-1" tone={over ? 'caution' : 'ink'}>
                  {l.id}: {l.qty.toFixed(digits)} {unit}
                  {l.openedAt === null ? '' : `, open since ${format(l.openedAt, 'd MMM')}`}
                  {Number.isFinite(until)
                    ? over
                      ? `, over its date (${format(until, 'd MMM')})`
                      : `, good until ${format(until, 'd MMM yyyy')}`
                    : ''}
                  {l.id === next ? ' · take this one' : ''}
                </Txt>
                <Button
                  kind="small"
                  label={open === l.id ? 'Done' : 'Change'}
                  say={`${open === l.id ? 'Done with' : 'Change'} ${l.id} of ${name}`}
                  onPress={() => setOpen(open === l.id ? null : l.id)}
                />
              </View>
              {open === l.id ? (
                <View className="py-2">
                  <NumberField
                    label={`Counted in ${l.id} of ${name}`}
                    unit={unit}
                    low={0}
                    high={10000}
                    digits={digits}
                    value={Number(l.qty.toFixed(digits))}
                    onCommit={(qty) => put(l.id, { qty }, `${l.id} counted`)}
                  />
                  <NumberField
                    label={`${l.id} of ${name} is good for`}
                    unit="days"
                    low={0}
                    high={3650}
                    value={l.expiresAt === null ? null : Math.max(0, Math.ceil((l.expiresAt - now) / day))}
                    onCommit={(v) => put(l.id, { expiresAt: now + v * day }, `${l.id}: date`)}
                  />
                  <NumberField
                    label={`${l.id} of ${name}, once open, is good for`}
                    unit="days"
                    low={0}
                    high={3650}
                    value={l.openLifeDays}
                    onCommit={(v) => put(l.id, { openLifeDays: v }, `${l.id}: open life`)}
                  />
                  <View className="flex-row gap-2">
                    <View className="flex-1">
                      <Button
                        kind="small"
                        label={l.openedAt === null ? `${l.id} is open from today` : `${l.id} is not open`}
                        onPress={() => put(l.id, { openedAt: l.openedAt === null ? now : null }, `${l.id}: open`)}
                      />
                    </View>
                    <View className="flex-1">
                      <Button
                        kind="small"
                        label={`Throw ${l.id} away`}
                        onPress={() => {
                          setOpen(null);
                          onChange(
                            lots.filter((x) => x.id !== l.id),
                            'scrapped',
                            `${l.id} thrown away`,
                          );
                        }}
                      />
                    </View>
                  </View>
                </View>
              ) : null}
            </View>
          );
        })}
      </View>
      <View className="mt-2">
        <Button
          kind="small"
          label={unit === 'ml' ? `Another tube of ${pack} ml` : 'Another packet of one'}
          say={`${unit === 'ml' ? `Another tube of ${pack} ml` : 'Another packet of one'}, ${name}`}
          disabled={lots.length >= 40}
          onPress={() =>
            onChange(
              [
                ...lots,
                {
                  id: newId().slice(0, 5),
                  qty: pack,
                  expiresAt: null,
                  openedAt: null,
                  openLifeDays: lots[0]?.openLifeDays ?? null,
                },
              ],
              'arrived',
              'a new lot',
            )
          }
        />
      </View>
    </View>
  );
}
