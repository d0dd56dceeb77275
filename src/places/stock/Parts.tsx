import { useState } from 'react';
import { View } from 'react-native';

import { origins, workDefs, works } from '@/core/intake/works';
import { firstOut } from '@/core/stock/firstOut';
import { originNames } from '@/words/eventLine';
import type { PartStock, Settings } from '@/model/settings';
import { keyOfPart, partKey, quantityOf, type Stock } from '@/model/stock';
import type { ItemAdvice } from '@/model/stockUse';
import { newId } from '@/store/ids';
import { useDevices } from '@/store/shop';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DateTimeField } from '@/ui/DateTimeField';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { dayTime } from '@/words/units';
import { Lots } from './Lots';
import { partArrived, partOrdered } from '@/work/stock/partFlow';
import { withMove } from './moves';
import { itemName, partName } from './words';
import { t } from '@/words/stock';

interface PartsProps {
  settings: Settings;
  stock: Stock;
  advice: readonly ItemAdvice[];
  now: number;
  onChange: (c: Partial<Settings>) => void;
}

/** Parts by device and origin: what is there, what open jobs will take, what is on order. */
export function Parts({ settings: s, stock, advice, now, onChange }: PartsProps) {
  const devices = useDevices();
  const nameOf = (id: string) => devices.find((d) => d.device.id === id)?.device.name ?? id;
  const put = (p: PartStock, c: Partial<PartStock>, move: Parameters<typeof withMove>[1] | null) =>
    onChange({
      parts: s.parts.map((x) => (x.id === p.id ? { ...x, ...c } : x)),
      ...(move ? { stockMoves: withMove(s, move) } : {}),
    });
  return (
    <Disclosure title={t('parts', { n: s.parts.length })} open>
      {s.parts.map((p) => {
        const lots = stock.parts.get(p.id) ?? [];
        const have = quantityOf(lots);
        const a = advice.find((x) => x.kind === 'part' && x.id === p.id);
        const name = partName(p, nameOf);
        const rebase = (more: PartStock['lots']) => ({ lots: more, countedAt: nowMs() });
        return (
          <View key={p.id} className="border-b border-rule pb-2 mb-2" testID={`part-${p.id}`}>
            <Txt strong>{name}</Txt>
            <Txt size="s" tone={a?.advice.now ? 'caution' : 'ink2'}>
              {a?.reserved
                ? t('hereForOpenJobsTakenIn', {
                    have,
                    reserved: a.reserved,
                    count: a.use.count,
                    days: Math.round(a.use.days),
                    point: a.advice.point,
                  })
                : a
                  ? t('hereTakenInDaysOrderAt', {
                      have,
                      count: a.use.count,
                      days: Math.round(a.use.days),
                      point: a.advice.point,
                    })
                  : t('here', { have })}
            </Txt>
            {p.onOrder.map((o) => (
              <View key={o.id} className="flex-row items-center gap-2 my-1">
                <Txt size="s" className="flex-1" tone={o.dueAt !== null && o.dueAt < now ? 'caution' : 'ink'}>
                  {o.dueAt === null
                    ? t('onOrder', { qty: o.qty })
                    : o.dueAt < now
                      ? t('onOrderShouldHaveCome', { qty: o.qty, dueAt: dayTime(o.dueAt, now) })
                      : t('onOrderDue', { qty: o.qty, dueAt: dayTime(o.dueAt, now) })}
                </Txt>
                <Button
                  kind="small"
                  label={o.qty === 1 ? t('itIsHere') : t('theyAreHere')}
                  say={o.qty === 1 ? t('itIsHereOf', { qty: o.qty, name }) : t('theyAreHereOf', { qty: o.qty, name })}
                  onPress={() =>
                    onChange(partArrived(s, stock, p, { qty: o.qty, orderId: o.id }, { at: nowMs(), newId }))
                  }
                />
              </View>
            ))}
            {a ? (
              <OrderBox
                part={p}
                name={name}
                qty={Math.max(1, a.advice.qty)}
                now={now}
                onOrder={(qty, dueAt) => onChange(partOrdered(s, stock, p, { qty, dueAt }, { at: nowMs(), newId }))}
              />
            ) : null}
            <Disclosure title={t('lotsAndDeliveryOf', { name })}>
              <Lots
                name={name}
                unit="pieces"
                lots={lots}
                next={firstOut(lots, 1, now).takes[0]?.id ?? null}
                now={now}
                digits={0}
                pack={1}
                onChange={(next, what, lot) =>
                  put(p, rebase(next.map((l) => ({ ...l, qty: Math.round(l.qty) }))), {
                    item: p.id,
                    what,
                    before: have,
                    after: Math.round(quantityOf(next)),
                    lot,
                    note: '',
                  })
                }
              />
              <NumberField
                label={t('takesToCome', { name })}
                unit="days"
                low={0}
                high={365}
                digits={1}
                value={p.leadDays}
                onCommit={(leadDays) => put(p, { leadDays }, null)}
              />
              <NumberField
                label={t('giveOrTake2', { name })}
                unit="days"
                low={0}
                high={120}
                digits={1}
                value={p.leadSdDays}
                onCommit={(leadSdDays) => put(p, { leadSdDays }, null)}
              />
            </Disclosure>
          </View>
        );
      })}
      <NewPart settings={s} onAdd={(p) => onChange({ parts: [...s.parts, p] })} />
    </Disclosure>
  );
}

function OrderBox({
  part,
  name,
  qty,
  now,
  onOrder,
}: {
  part: PartStock;
  name: string;
  qty: number;
  now: number;
  onOrder: (qty: number, dueAt: number) => void;
}) {
  const [open, setOpen] = useState(false);
  const [many, setMany] = useState<number | null>(null);
  const [due, setDue] = useState<number | null>(null);
  const usual = now + part.leadDays * 86400e3;
  if (!open)
    return <Button kind="small" label={t('order')} say={t('order2', { name })} onPress={() => setOpen(true)} />;
  return (
    <View className="my-1">
      <NumberField
        label={t('howManyOf', { name })}
        unit="pieces"
        low={1}
        high={10000}
        value={many ?? qty}
        onCommit={(v) => setMany(Math.round(v))}
      />
      <DateTimeField
        label={t('comes', { name })}
        value={due ?? usual}
        now={now}
        from={now}
        to={now + 300 * 86400e3}
        onCommit={setDue}
      />
      <Button
        kind="small"
        label={t('ordered', { many: many ?? qty })}
        say={t('orderedOf', { many: many ?? qty, name })}
        onPress={() => {
          onOrder(many ?? qty, due ?? usual);
          setOpen(false);
          setMany(null);
          setDue(null);
        }}
      />
    </View>
  );
}

const items = [...new Set(works.map((w) => workDefs[w].item).filter((i): i is string => i !== null))];

function NewPart({ settings: s, onAdd }: { settings: Settings; onAdd: (p: PartStock) => void }) {
  const devices = useDevices();
  const [device, setDevice] = useState(devices[0]?.device.id ?? '');
  const [item, setItem] = useState(items[0]!);
  const [origin, setOrigin] = useState<(typeof origins)[number]>('genuine');
  const taken = s.parts.some((p) => keyOfPart(p) === partKey(device, item, origin));
  return (
    <Disclosure title={t('anotherPart')}>
      <Choice
        label={t('device')}
        value={device}
        options={devices.map((d) => ({ id: d.device.id, name: d.device.name }))}
        onChange={setDevice}
      />
      <Choice
        label={t('part')}
        value={item}
        options={items.map((i) => ({ id: i, name: itemName(i) }))}
        onChange={setItem}
      />
      <Choice
        label={t('origin')}
        value={origin}
        options={origins.map((o) => ({ id: o, name: originNames[o] }))}
        onChange={setOrigin}
      />
      <Button
        kind="small"
        label={t('addThePart')}
        disabled={taken || s.parts.length >= 200}
        why={taken ? t('itIsOnTheList') : t('theListIsFull')}
        onPress={() =>
          onAdd({
            id: `${device}-${item}-${origin}`.slice(0, 60),
            deviceId: device,
            item,
            origin,
            lots: [],
            countedAt: nowMs(),
            leadDays: s.lead.days,
            leadSdDays: s.lead.sdDays,
            onOrder: [],
          })
        }
      />
    </Disclosure>
  );
}
