import { View } from 'react-native';

import { workDefs, origins, works } from '@/core/intake/works';
import { originNames, workNames } from '@/words/eventLine';
import type { Settings } from '@/model/settings';
import { Entry } from '@/bench-kit/Why';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { t as tr } from '@/words/shop';

type Money = Settings['money'];

interface MoneySettingsProps {
  settings: Settings;
  onChange: (money: Money) => void;
  onRate: (perHour: number) => void;
}

/** Rates and price list: everything that a quote is made from. */
export function MoneySettings({ settings: s, onChange, onRate }: MoneySettingsProps) {
  const m = s.money;
  const put = (c: Partial<Money>) => onChange({ ...m, ...c });
  const sum = (name: keyof Money, label: string, high: number) => (
    <NumberField
      key={name}
      label={label}
      unit={m.currency}
      low={0}
      high={high}
      digits={2}
      value={(m[name] as number) / 100}
      onCommit={(v) => put({ [name]: Math.round(v * 100) })}
    />
  );
  const share = (name: 'taxShare' | 'marginShare' | 'wasteShare', label: string, high: number) => (
    <NumberField
      label={label}
      unit="%"
      low={0}
      high={high}
      digits={1}
      value={m[name] * 100}
      onCommit={(v) => put({ [name]: Math.round(v * 1e4) / 1e6 })}
    />
  );
  return (
    <>
      <Disclosure title={tr('ratesForQuotes')}>
        <Txt size="s" tone="ink2" className="mb-2">
          {tr('firstFiguresOfOurs')}
        </Txt>
        <Entry
          label={tr('currency')}
          value={m.currency}
          onChange={(t) => put({ currency: t.trim() || m.currency })}
          max={8}
        />
        <NumberField
          label={tr('labour')}
          unit={`${m.currency}/h`}
          low={0}
          high={1000}
          digits={2}
          value={s.ratePerH}
          onCommit={onRate}
        />
        {share('taxShare', tr('tax'), 100)}
        {share('marginShare', tr('staysWithTheShopOfThe'), 90)}
        {share('wasteShare', tr('wasteOfTapeAndGlue'), 200)}
        {sum('overheadMinor', tr('overheadOfAJob'), 10000)}
        {sum('damageMinor', tr('damageInsideCostsOnAverage'), 10000)}
        {sum('stepMinor', tr('pricesGoUpInStepsOf'), 1000)}
        {sum('offMinor', tr('lessThat'), 10)}
        {sum('tapePerMMinor', tr('tapeAMetre'), 1000)}
        {sum('beadPerMlMinor', tr('liquidAMillilitre'), 1000)}
        {sum('ringMinor', tr('preCutRing'), 1000)}
      </Disclosure>
      {(['phone', 'tablet'] as const).map((kind) => (
        <Disclosure key={kind} title={kind === 'phone' ? tr('priceListPhone') : tr('priceListTablet')}>
          <Txt size="s" tone="ink2" className="mb-2">
            {tr('whatAPartCostsTheShop')}
          </Txt>
          {works.flatMap((w) => {
            const item = workDefs[w].item;
            if (!item) return [];
            return origins.map((o) => {
              const key = `${item}.${o}`;
              const list = m.prices[kind] ?? {};
              return (
                <View key={key}>
                  <NumberField
                    label={`${workNames[w]}, ${originNames[o]}`}
                    unit={m.currency}
                    low={0}
                    high={100000}
                    digits={2}
                    value={(list[key] ?? 0) / 100}
                    onCommit={(v) => {
                      const { [key]: _, ...rest } = list;
                      const next = v > 0 ? { ...rest, [key]: Math.round(v * 100) } : rest;
                      put({ prices: { ...m.prices, [kind]: next } });
                    }}
                  />
                </View>
              );
            });
          })}
        </Disclosure>
      ))}
    </>
  );
}
