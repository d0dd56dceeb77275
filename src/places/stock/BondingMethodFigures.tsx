import { View } from 'react-native';

import { schools, type BondingMethodId } from '@/core/bond/bondingMethods';
import { bondingMethodNames } from '@/words/eventLine';
import type { Settings } from '@/model/settings';
import { Disclosure } from '@/ui/Disclosure';
import { useSourceLine } from '@/bench-kit/useFigureWords';
import { NumberField } from '@/ui/NumberField';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/stock';

interface BondingMethodFiguresProps {
  settings: Settings;
  onChange: (change: Partial<Settings>) => void;
}

type Figures = NonNullable<Settings['schools'][BondingMethodId]>;

/** What each way of bonding costs this shop: judgement until somebody has counted. */
export function BondingMethodFigures({ settings: s, onChange }: BondingMethodFiguresProps) {
  const sourceLine = useSourceLine();
  const put = (id: BondingMethodId, change: Figures) =>
    onChange({ schools: { ...s.schools, [id]: { ...s.schools[id], ...change } } });
  return (
    <Disclosure title={t('waysOfBondingCostsAndLimits')}>
      <Txt size="s" tone="ink2" className="mb-2">
        {t('allOfTheseAreOurJudgement', { currency: s.money.currency })}
      </Txt>
      <NumberField
        label={t('aComeBackCosts')}
        unit={s.money.currency}
        low={0}
        high={10000}
        value={s.reworkCost}
        onCommit={(reworkCost) => onChange({ reworkCost })}
      />
      <NumberField
        label={t('anHourOnTheShelfCosts')}
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
              label={t('material', { name })}
              unit={s.money.currency}
              low={0}
              high={1000}
              digits={2}
              hint={sourceLine(w.materialCost)}
              value={own.materialCost ?? w.materialCost.value}
              onCommit={(materialCost) => put(w.id, { materialCost })}
            />
            <NumberField
              label={t('work', { name })}
              unit="min"
              low={0}
              high={1200}
              hint={sourceLine(w.hours)}
              value={Math.round((own.hours ?? w.hours.value) * 60)}
              onCommit={(v) => put(w.id, { hours: v / 60 })}
            />
            <NumberField
              label={t('comesBack', { name })}
              unit="%"
              low={0}
              high={100}
              digits={1}
              hint={sourceLine(w.reworkChance)}
              value={(own.reworkChance ?? w.reworkChance.value) * 100}
              onCommit={(v) => put(w.id, { reworkChance: v / 100 })}
            />
            <LengthField
              label={t('unevenSeatItTakes', { name })}
              units={s}
              lowMm={0}
              highMm={3}
              hint={sourceLine(w.gapVariationMm)}
              valueMm={own.gapVariationMm ?? w.gapVariationMm.value}
              onMm={(v) => put(w.id, { gapVariationMm: v })}
            />
          </View>
        );
      })}
    </Disclosure>
  );
}
