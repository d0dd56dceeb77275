import { View } from 'react-native';

import { schools, type BondingMethodId } from '@/core/bond/bondingMethods';
import { bondingMethodNames } from '@/model/eventLine';
import type { Settings } from '@/model/settings';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';

interface BondingMethodFiguresProps {
  settings: Settings;
  onChange: (change: Partial<Settings>) => void;
}

type Figures = NonNullable<Settings['schools'][BondingMethodId]>;

/** What each way of bonding costs this shop: judgement until somebody has counted. */
export function BondingMethodFigures({ settings: s, onChange }: BondingMethodFiguresProps) {
  const put = (id: BondingMethodId, change: Figures) =>
    onChange({ schools: { ...s.schools, [id]: { ...s.schools[id], ...change } } });
  return (
    <Disclosure title="Ways of bonding: costs and limits">
      <Txt size="s" tone="ink2" className="mb-2">
        All of these are judgement until this shop puts its own in. Money in {s.money.currency}.
      </Txt>
      <NumberField
        label="A come-back costs"
        unit={s.money.currency}
        low={0}
        high={10000}
        value={s.reworkCost}
        onCommit={(reworkCost) => onChange({ reworkCost })}
      />
      <NumberField
        label="An hour on the shelf costs"
        unit={s.money.currency}
        low={0}
        high={1000}
        digits={2}
        value={s.delayCostPerH}
        onCommit={(delayCostPerH) => onChange({ delayCostPerH })}
      />
      {schools.map((w) => {
        const own = s.schools[w.id] ?? {};
        const name = bondingMethodNames[w.id];
        return (
          <View key={w.id} className="border-t border-rule pt-2 mt-2">
            <Txt strong>{name}</Txt>
            <NumberField
              label={`Material, ${name}`}
              unit={s.money.currency}
              low={0}
              high={1000}
              digits={2}
              value={own.materialCost ?? w.materialCost.value}
              onCommit={(materialCost) => put(w.id, { materialCost })}
            />
            <NumberField
              label={`Work, ${name}`}
              unit="min"
              low={0}
              high={1200}
              value={Math.round((own.hours ?? w.hours.value) * 60)}
              onCommit={(v) => put(w.id, { hours: v / 60 })}
            />
            <NumberField
              label={`Comes back, ${name}`}
              unit="%"
              low={0}
              high={100}
              digits={1}
              value={(own.reworkChance ?? w.reworkChance.value) * 100}
              onCommit={(v) => put(w.id, { reworkChance: v / 100 })}
            />
            <LengthField
              label={`Uneven seat it takes, ${name}`}
              units={s}
              lowMm={0}
              highMm={3}
              valueMm={own.gapVariationMm ?? w.gapVariationMm.value}
              onMm={(v) => put(w.id, { gapVariationMm: v })}
            />
          </View>
        );
      })}
    </Disclosure>
  );
}
