import { useState } from 'react';
import { View } from 'react-native';

import { itemOf, origins, works } from '@/core/intake/route';
import { firstOut } from '@/core/stock/firstOut';
import { originNames } from '@/model/eventLine';
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
import { withMove } from './moves';
import { partName } from './words';

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
    <Disclosure title={`Parts (${s.parts.length})`} open>
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
              {have} here{a?.reserved ? `, ${a.reserved} for open jobs` : ''}
              {a ? `, ${a.use.count} taken in ${Math.round(a.use.days)} days, order at ${a.advice.point}` : ''}.
            </Txt>
            {p.onOrder.map((o) => (
              <View key={o.id} className="flex-row items-center gap-2 my-1">
                <Txt size="s" className="flex-1" tone={o.dueAt !== null && o.dueAt < now ? 'caution' : 'ink'}>
                  {o.qty} on order
                  {o.dueAt === null ? '' : `, ${o.dueAt < now ? 'should have come' : 'due'} ${dayTime(o.dueAt, now)}`}
                </Txt>
                <Button
                  kind="small"
                  label={o.qty === 1 ? 'It is here' : 'They are here'}
                  say={`${o.qty === 1 ? 'It is here' : 'They are here'}: ${o.qty} of ${name}`}
                  onPress={() =>
                    put(
                      p,
                      {
                        ...rebase([
                          ...lots,
                          { id: o.id.slice(0, 5), qty: o.qty, expiresAt: null, openedAt: null, openLifeDays: null },
                        ]),
                        onOrder: p.onOrder.filter((x) => x.id !== o.id),
                      },
                      { item: p.id, what: 'arrived', before: have, after: have + o.qty, note: '' },
                    )
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
                onOrder={(qty, dueAt) =>
                  put(
                    p,
                    { onOrder: [...p.onOrder, { id: newId().slice(0, 12), qty, at: nowMs(), dueAt }].slice(-20) },
                    { item: p.id, what: 'ordered', before: have, after: have, note: `${qty} pieces` },
                  )
                }
              />
            ) : null}
            <Disclosure title={`Lots and delivery of ${name}`}>
              <Lots
                name={name}
                unit="pieces"
                lots={lots}
                next={firstOut(lots, 1, now).takes[0]?.id ?? null}
                now={now}
                digits={0}
                pack={1}
                onChange={(next, what, note) =>
                  put(p, rebase(next.map((l) => ({ ...l, qty: Math.round(l.qty) }))), {
                    item: p.id,
                    what,
                    before: have,
                    after: Math.round(quantityOf(next)),
                    note,
                  })
                }
              />
              <NumberField
                label={`${name} takes to come`}
                unit="days"
                low={0}
                high={365}
                digits={1}
                value={p.leadDays}
                onCommit={(leadDays) => put(p, { leadDays }, null)}
              />
              <NumberField
                label={`give or take, ${name}`}
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
  if (!open) return <Button kind="small" label="Order" say={`Order ${name}`} onPress={() => setOpen(true)} />;
  return (
    <View className="my-1">
      <NumberField
        label={`How many of ${name}`}
        unit="pieces"
        low={1}
        high={10000}
        value={many ?? qty}
        onCommit={(v) => setMany(Math.round(v))}
      />
      <DateTimeField
        label={`${name} comes`}
        value={due ?? usual}
        now={now}
        from={now}
        to={now + 300 * 86400e3}
        onCommit={setDue}
      />
      <Button
        kind="small"
        label={`${many ?? qty} ordered`}
        say={`${many ?? qty} ordered of ${name}`}
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

const items = [...new Set(works.map((w) => itemOf[w]).filter((i): i is string => i !== null))];

function NewPart({ settings: s, onAdd }: { settings: Settings; onAdd: (p: PartStock) => void }) {
  const devices = useDevices();
  const [device, setDevice] = useState(devices[0]?.device.id ?? '');
  const [item, setItem] = useState(items[0]!);
  const [origin, setOrigin] = useState<(typeof origins)[number]>('genuine');
  const taken = s.parts.some((p) => keyOfPart(p) === partKey(device, item, origin));
  return (
    <Disclosure title="Another part">
      <Choice
        label="Device"
        value={device}
        options={devices.map((d) => ({ id: d.device.id, name: d.device.name }))}
        onChange={setDevice}
      />
      <Choice label="Part" value={item} options={items.map((i) => ({ id: i, name: i }))} onChange={setItem} />
      <Choice
        label="Origin"
        value={origin}
        options={origins.map((o) => ({ id: o, name: originNames[o] }))}
        onChange={setOrigin}
      />
      <Button
        kind="small"
        label="Add the part"
        disabled={taken || s.parts.length >= 200}
        why={taken ? 'it is on the list' : 'the list is full'}
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
