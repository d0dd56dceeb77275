import { View } from 'react-native';

import { orderFigures } from '@/core/stock/reorder';
import { rowOf, WhyRows } from '@/bench-kit/Why';
import type { Settings } from '@/model/settings';
import { rateFigures, type ItemAdvice } from '@/model/stockUse';
import { useDevices } from '@/store/shop';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { dayTime } from '@/words/units';
import { amount, orderText, partName } from './words';
import { t as tr } from '@/words/stock';

interface OrdersProps {
  settings: Settings;
  advice: readonly ItemAdvice[];
  now: number;
  onChange: (c: Partial<Settings>) => void;
}

/** What has to be ordered today and what goes off soon. */
export function Orders({ settings: s, advice, now, onChange }: OrdersProps) {
  const devices = useDevices();
  const nameOf = (a: ItemAdvice) => {
    if (a.kind === 'tape') return s.tapes.find((t) => t.id === a.id)?.name ?? a.id;
    if (a.kind === 'liquid') return s.liquids.find((l) => l.id === a.id)?.name ?? a.id;
    const p = s.parts.find((x) => x.id === a.id)!;
    return partName(p, (id) => devices.find((d) => d.device.id === id)?.device.name ?? id);
  };
  // what nobody uses and what nobody has is no order
  const due = advice.filter((a) => a.advice.now && (a.kind === 'part' || a.use.perDay > 0));
  const off = advice.flatMap((a) => a.goesOff.map((g) => ({ a, ...g })));
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 mb-3" testID="orders">
      <Txt strong size="l" level={2}>
        {due.length ? tr('toOrder', { n: due.length }) : tr('nothingToOrder')}
      </Txt>
      {due.map((a) => (
        <Txt key={a.kind + a.id} className="mt-1">
          {orderText(a, nameOf(a), s)}
        </Txt>
      ))}
      {off.map((g) => (
        <Txt key={g.a.id + g.id} tone="caution" className="mt-1">
          {g.at < now
            ? tr('pastItsDateSince', { a: nameOf(g.a), id: g.id, a2: amount(g.a, g.qty, s), at: dayTime(g.at, now) })
            : tr('goodUntil2', { a: nameOf(g.a), id: g.id, a2: amount(g.a, g.qty, s), at: dayTime(g.at, now) })}
        </Txt>
      ))}
      <Disclosure title={tr('whyAndWhatElse')}>
        <Txt size="s">
          {tr('orderedAtThisLevelStockLasts', {
            stockShare: Math.round(s.stockShare * 100),
            value: orderFigures.reviewDays.value,
          })}
        </Txt>
        {advice
          .filter((a) => a.kind !== 'part')
          .map((a) => (
            <Txt key={a.id} size="s">
              {tr('aDayOrderAtOfIt', {
                a: nameOf(a),
                a2: amount(a, a.use.perDay, s),
                a3: amount(a, a.advice.point, s),
                a4: amount(a, a.advice.safety, s),
              })}
            </Txt>
          ))}
        <NumberField
          label={tr('deliveriesThatStockLastsFor')}
          unit="%"
          low={50}
          high={99.9}
          digits={1}
          value={s.stockShare * 100}
          onCommit={(v) => onChange({ stockShare: v / 100 })}
        />
        <NumberField
          label={tr('tapeAndLiquidsTakeToCome')}
          unit="days"
          low={0}
          high={365}
          digits={1}
          value={s.lead.days}
          onCommit={(days) => onChange({ lead: { ...s.lead, days } })}
        />
        <NumberField
          label={tr('giveOrTake')}
          unit="days"
          low={0}
          high={120}
          digits={1}
          value={s.lead.sdDays}
          onCommit={(sdDays) => onChange({ lead: { ...s.lead, sdDays } })}
        />
        <WhyRows
          rows={[
            rowOf(tr('theSameAtFirst'), orderFigures.share, ''),
            rowOf(tr('anOrderLasts'), orderFigures.reviewDays, 'days'),
            rowOf(tr('logThatUseIsLearnedFrom'), rateFigures.windowDays, 'days'),
          ]}
        />
      </Disclosure>
    </View>
  );
}
