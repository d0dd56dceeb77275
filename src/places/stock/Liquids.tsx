import { digits as inDigits } from '@/words/units';
import { View } from 'react-native';

import { squeezeOutOf } from '@/core/bond/squeezeOut';
import { firstOut } from '@/core/stock/firstOut';

import type { LiquidStock, Settings } from '@/model/settings';
import { expired, quantityOf, type Stock } from '@/model/stock';
import { Entry } from '@/bench-kit/Why';
import { newId } from '@/store/ids';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { Lots } from './Lots';
import { withMove } from './moves';
import { t } from '@/words/stock';
import { told } from '@/words/told';

interface LiquidsProps {
  settings: Settings;
  stock: Stock;
  onChange: (c: Partial<Settings>) => void;
}

/** Liquid adhesives: what is left, until when it is good, and what the bead is computed from. */
export function Liquids({ settings: s, stock, onChange }: LiquidsProps) {
  const put = (id: string, change: Partial<LiquidStock>) =>
    onChange({ liquids: s.liquids.map((l) => (l.id === id ? { ...l, ...change } : l)) });
  return (
    <Disclosure title={t('liquids', { n: s.liquids.length })} open>
      {s.liquids.map((l) => (
        <LiquidRow
          key={l.id}
          l={l}
          settings={s}
          stock={stock}
          put={(change) => put(l.id, change)}
          onChange={onChange}
        />
      ))}
      <Button
        kind="small"
        label={t('anotherLiquid')}
        disabled={s.liquids.length >= 20 || !s.liquids.length}
        onPress={() =>
          onChange({
            liquids: [
              ...s.liquids,
              {
                ...s.liquids[0]!,
                id: newId().slice(0, 12),
                name: t('anotherLiquid2'),
                leftMl: 0,
                tubes: [],
                countedAt: nowMs(),
              },
            ],
          })
        }
      />
    </Disclosure>
  );
}

/** One liquid: what is left of it, its tubes, and what it is computed with. */
function LiquidRow({
  l,
  settings: s,
  stock,
  put,
  onChange,
}: LiquidsProps & { l: LiquidStock; put: (change: Partial<LiquidStock>) => void }) {
  const now = useNow(60_000);
  const left = stock.liquids.get(l.id) ?? 0;
  const tubes = stock.tubes.get(l.id) ?? [];
  return (
    <View className="border-b border-rule pb-2 mb-2">
      <Txt strong>{told(l.name)}</Txt>
      <Txt size="s" tone={left <= 0 || expired(l, now) ? 'caution' : 'ink2'}>
        {expired(l, now)
          ? t('mlLeftByTheLogNone', { figure: inDigits(left, 2) })
          : t('mlLeftByTheLog', { figure: inDigits(left, 2) })}
      </Txt>
      <Lots
        name={l.name}
        unit="ml"
        lots={tubes}
        next={firstOut(tubes, 0.01, now).takes[0]?.id ?? null}
        now={now}
        digits={1}
        pack={l.tubeMl}
        onChange={(next, what, lot) =>
          onChange({
            liquids: s.liquids.map((x) =>
              x.id === l.id ? { ...x, tubes: next, leftMl: quantityOf(next), countedAt: nowMs() } : x,
            ),
            stockMoves: withMove(s, {
              item: l.name,
              what,
              before: Number(left.toFixed(2)),
              after: Number(quantityOf(next).toFixed(2)),
              lot,
              note: '',
            }),
          })
        }
      />
      <LiquidFigures l={l} units={s} put={put} />
    </View>
  );
}

/** What the bead and its cure are computed from. */
function LiquidFigures({
  l,
  units: s,
  put,
}: {
  l: LiquidStock;
  units: Settings;
  put: (change: Partial<LiquidStock>) => void;
}) {
  return (
    <Disclosure title={t('figuresOf', { name: l.name })}>
      <Entry
        label={t('nameOfTheLiquid')}
        value={l.name}
        max={60}
        onChange={(name) => (name.trim() ? put({ name }) : undefined)}
      />
      <Choice
        label={t('curesBy', { name: l.name })}
        value={l.cure}
        options={[
          { id: 'solvent', name: t('solventLeaving') },
          { id: 'moisture', name: t('moisture') },
        ]}
        onChange={(cure) => put({ cure })}
      />
      <Tick label={t('isBlack', { name: l.name })} on={l.black} onChange={(black) => put({ black })} />
      <Choice
        label={t('whatSqueezesOutOf', { name: l.name })}
        value={squeezeOutOf(l)}
        options={[
          { id: 'now', name: t('wipedAtOnce') },
          { id: 'dry', name: t('peeledWhenDry') },
        ]}
        onChange={(squeezeOut) => put({ squeezeOut })}
      />
      <NumberField
        label={t('solidsOf', { name: l.name })}
        unit="%"
        low={5}
        high={100}
        value={Math.round(l.solids * 100)}
        onCommit={(v) => put({ solids: v / 100 })}
      />
      <NumberField
        label={t('viscosityOf', { name: l.name })}
        unit="Pa s"
        low={0.01}
        high={2000}
        digits={2}
        value={l.viscosityPaS}
        onCommit={(viscosityPaS) => put({ viscosityPaS })}
      />
      <NumberField
        label={t('yieldStressOf', { name: l.name })}
        unit="Pa"
        low={0}
        high={5000}
        value={l.yieldPa}
        onCommit={(yieldPa) => put({ yieldPa })}
      />
      <LengthField
        label={t('nozzleBoreOf', { name: l.name })}
        units={s}
        lowMm={0.1}
        highMm={5}
        valueMm={l.nozzleDiaMm}
        onMm={(v) => put({ nozzleDiaMm: v })}
      />
      <LengthField
        label={t('nozzleLengthOf', { name: l.name })}
        units={s}
        lowMm={1}
        highMm={100}
        digits={1}
        valueMm={l.nozzleLengthMm}
        onMm={(v) => put({ nozzleLengthMm: v })}
      />
      <LengthField
        label={t('barrelBoreOf', { name: l.name })}
        units={s}
        lowMm={2}
        highMm={60}
        digits={1}
        valueMm={l.barrelDiaMm}
        onMm={(v) => put({ barrelDiaMm: v })}
      />
      <NumberField
        label={t('tubeOfHolds', { name: l.name })}
        unit="ml"
        low={0.5}
        high={500}
        digits={1}
        value={l.tubeMl}
        onCommit={(tubeMl) => put({ tubeMl })}
      />
      <Txt size="s" tone="ink2">
        {t('viscosityAndYieldStressComeFrom')}
      </Txt>
    </Disclosure>
  );
}
