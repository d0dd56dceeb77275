import { View } from 'react-native';

import type { LiquidStock, Settings } from '@/model/settings';
import { expired, type Stock } from '@/model/stock';
import { Entry } from '@/stagekit/Why';
import { newId } from '@/store/ids';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/ui/useNow';
import { day } from '@/ui/units';

interface LiquidsProps {
  settings: Settings;
  stock: Stock;
  onChange: (liquids: LiquidStock[]) => void;
}

const dayMs = 24 * 3600e3;

/** Liquid adhesives: what is left, until when it is good, and what the bead is computed from. */
export function Liquids({ settings: s, stock, onChange }: LiquidsProps) {
  const put = (id: string, change: Partial<LiquidStock>) =>
    onChange(s.liquids.map((l) => (l.id === id ? { ...l, ...change } : l)));
  const now = useNow(60_000);
  return (
    <Disclosure title={`Liquids (${s.liquids.length})`} open>
      {s.liquids.map((l) => {
        const left = stock.liquids.get(l.id) ?? 0;
        const daysLeft = l.expiresAt === null ? null : Math.ceil((l.expiresAt - now) / dayMs);
        return (
          <View key={l.id} className="border-b border-rule pb-2 mb-2">
            <Txt strong>{l.name}</Txt>
            <Txt size="s" tone={left <= 0 || expired(l, now) ? 'caution' : 'ink2'}>
              {left.toFixed(2)} ml left by the log
              {l.expiresAt === null ? '' : expired(l, now) ? ', over its date' : `, good until ${day(l.expiresAt)}`}.
            </Txt>
            <NumberField
              label={`Left of ${l.name}`}
              unit="ml"
              low={0}
              high={1000}
              digits={1}
              value={Number(left.toFixed(1))}
              onCommit={(leftMl) => put(l.id, { leftMl, countedAt: Date.now() })}
            />
            <Button
              kind="small"
              label={`A new tube of ${l.tubeMl} ml`}
              onPress={() => put(l.id, { leftMl: left + l.tubeMl, countedAt: Date.now() })}
            />
            <NumberField
              label={`${l.name} is good for`}
              unit="days"
              low={0}
              high={2000}
              value={daysLeft === null ? null : Math.max(0, daysLeft)}
              onCommit={(v) => put(l.id, { expiresAt: Date.now() + v * dayMs })}
            />
            <Disclosure title={`Figures of ${l.name}`}>
              <Entry
                label="Name of the liquid"
                value={l.name}
                max={60}
                onChange={(name) => (name.trim() ? put(l.id, { name }) : undefined)}
              />
              <Choice
                label={`${l.name} cures by`}
                value={l.cure}
                options={[
                  { id: 'solvent', name: 'Solvent leaving' },
                  { id: 'moisture', name: 'Moisture' },
                ]}
                onChange={(cure) => put(l.id, { cure })}
              />
              <Tick label={`${l.name} is black`} on={l.black} onChange={(black) => put(l.id, { black })} />
              <NumberField
                label={`Solids of ${l.name}`}
                unit="%"
                low={5}
                high={100}
                value={Math.round(l.solids * 100)}
                onCommit={(v) => put(l.id, { solids: v / 100 })}
              />
              <NumberField
                label={`Viscosity of ${l.name}`}
                unit="Pa s"
                low={0.01}
                high={2000}
                digits={2}
                value={l.viscosityPaS}
                onCommit={(viscosityPaS) => put(l.id, { viscosityPaS })}
              />
              <NumberField
                label={`Yield stress of ${l.name}`}
                unit="Pa"
                low={0}
                high={5000}
                value={l.yieldPa}
                onCommit={(yieldPa) => put(l.id, { yieldPa })}
              />
              <LengthField
                label={`Nozzle bore of ${l.name}`}
                units={s}
                lowMm={0.1}
                highMm={5}
                valueMm={l.nozzleDiaMm}
                onMm={(v) => put(l.id, { nozzleDiaMm: v })}
              />
              <LengthField
                label={`Nozzle length of ${l.name}`}
                units={s}
                lowMm={1}
                highMm={100}
                digits={1}
                valueMm={l.nozzleLengthMm}
                onMm={(v) => put(l.id, { nozzleLengthMm: v })}
              />
              <LengthField
                label={`Barrel bore of ${l.name}`}
                units={s}
                lowMm={2}
                highMm={60}
                digits={1}
                valueMm={l.barrelDiaMm}
                onMm={(v) => put(l.id, { barrelDiaMm: v })}
              />
              <NumberField
                label={`Tube of ${l.name} holds`}
                unit="ml"
                low={0.5}
                high={500}
                digits={1}
                value={l.tubeMl}
                onCommit={(tubeMl) => put(l.id, { tubeMl })}
              />
              <Txt size="s" tone="ink2">
                Viscosity and yield stress come from memory until you put in what the maker’s sheet says.
              </Txt>
            </Disclosure>
          </View>
        );
      })}
      <Button
        kind="small"
        label="Another liquid"
        disabled={s.liquids.length >= 20 || !s.liquids.length}
        onPress={() =>
          onChange([
            ...s.liquids,
            { ...s.liquids[0]!, id: newId().slice(0, 12), name: 'another liquid', leftMl: 0, countedAt: Date.now() },
          ])
        }
      />
    </Disclosure>
  );
}
