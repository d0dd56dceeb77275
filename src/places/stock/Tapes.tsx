import { said } from '@/words/codes';
import { View } from 'react-native';

import type { Settings, TapeStock } from '@/model/settings';
import { rollKey, type Stock } from '@/model/stock';
import { newId } from '@/store/ids';
import { nowMs } from '@/store/clock';
import { Button, HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { Entry } from '@/bench-kit/Why';
import { listed, length } from '@/words/units';
import { t as tr } from '@/words/stock';

interface TapesProps {
  settings: Settings;
  stock: Stock;
  onChange: (tapes: TapeStock[]) => void;
}

/** Tapes with their rolls and offcuts. */
export function Tapes({ settings: s, stock, onChange }: TapesProps) {
  const put = (id: string, change: Partial<TapeStock>) =>
    onChange(s.tapes.map((t) => (t.id === id ? { ...t, ...change } : t)));
  const add = () =>
    onChange([
      ...s.tapes,
      {
        id: newId().slice(0, 12),
        name: tr('anotherTape'),
        widthMm: 1.5,
        thicknessMm: 0.2,
        black: false,
        rolls: [],
        offcuts: [],
        offcutsAt: nowMs(),
      },
    ]);
  return (
    <Disclosure title={tr('tape', { n: s.tapes.length })} open>
      {s.tapes.map((t) => (
        <TapeRow key={t.id} t={t} settings={s} stock={stock} put={(change) => put(t.id, change)} />
      ))}
      <Button kind="small" label={tr('anotherTape2')} onPress={add} disabled={s.tapes.length >= 20} />
    </Disclosure>
  );
}

interface TapeProps {
  t: TapeStock;
  settings: Settings;
  stock: Stock;
  put: (change: Partial<TapeStock>) => void;
}

/** One tape: its size, its rolls and its offcuts. */
function TapeRow({ t, settings: s, stock, put }: TapeProps) {
  return (
    <View className="border-b border-rule pb-2 mb-2">
      <Entry
        label={tr('nameOfTheTape')}
        value={t.name}
        max={60}
        onChange={(name) => (name.trim() ? put({ name }) : undefined)}
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <LengthField
            label={tr('widthOf', { name: t.name })}
            units={s}
            lowMm={0.5}
            highMm={30}
            digits={1}
            valueMm={t.widthMm}
            onMm={(v) => put({ widthMm: v })}
          />
        </View>
        <View className="flex-1">
          <LengthField
            label={tr('thicknessOf', { name: t.name })}
            units={s}
            lowMm={0.03}
            highMm={2}
            valueMm={t.thicknessMm}
            onMm={(v) => put({ thicknessMm: v })}
          />
        </View>
      </View>
      <Tick label={tr('isBlack2', { name: t.name })} on={t.black} onChange={(black) => put({ black })} />
      <Rolls t={t} settings={s} stock={stock} put={put} />
      <Offcuts t={t} settings={s} stock={stock} put={put} />
    </View>
  );
}

/** Rolls as they were counted. */
function Rolls({ t, settings: s, stock, put }: TapeProps) {
  return (
    <>
      {t.rolls.map((r, i) => {
        const left = stock.rolls.get(rollKey(t.id, r.id)) ?? 0;
        return (
          <LengthField
            key={r.id}
            label={tr('countedOnRollOf', { i: i + 1, name: t.name })}
            units={s}
            lowMm={0}
            highMm={100000}
            digits={0}
            valueMm={left}
            onMm={(v) =>
              put({
                rolls: t.rolls.map((x) => (x.id === r.id ? { ...x, lengthMm: v, countedAt: nowMs() } : x)),
              })
            }
          />
        );
      })}
      <View className="flex-row gap-3">
        <View className="flex-1">
          <Button
            kind="small"
            label={tr('anotherRoll')}
            onPress={() =>
              put({
                rolls: [...t.rolls, { id: newId().slice(0, 12), lengthMm: 25000, countedAt: nowMs() }].slice(0, 20),
              })
            }
          />
        </View>
        <View className="flex-1">
          <Button
            kind="small"
            label={tr('emptyRollsOut')}
            disabled={!t.rolls.some((r) => (stock.rolls.get(rollKey(t.id, r.id)) ?? 0) < 1)}
            onPress={() => put({ rolls: t.rolls.filter((r) => (stock.rolls.get(rollKey(t.id, r.id)) ?? 0) >= 1) })}
          />
        </View>
      </View>
    </>
  );
}

/** Pieces that are long enough to be used again. */
function Offcuts({ t, settings: s, stock, put }: TapeProps) {
  const offcuts = stock.offcuts.get(t.id) ?? [];
  return (
    <>
      <Txt size="s" className="mt-2">
        {tr('offcuts', {
          list: offcuts.length ? listed(offcuts.map((o) => length(o.lengthMm, s, 0))) : said('none'),
        })}
      </Txt>
      <LengthField
        key={`o${offcuts.length}`}
        label={tr('anotherOffcutOf', { name: t.name })}
        units={s}
        lowMm={15}
        highMm={2000}
        digits={0}
        valueMm={null}
        onMm={(v) =>
          put({
            offcuts: [...offcuts, { id: newId().slice(0, 12), lengthMm: v }].slice(0, 60),
            offcutsAt: nowMs(),
          })
        }
      />
      {offcuts.length ? (
        <HoldButton
          kind="side"
          label={tr('offcutsAreUsedUp')}
          onPress={() => put({ offcuts: [], offcutsAt: nowMs() })}
        />
      ) : null}
    </>
  );
}
