import { Link } from 'expo-router';
import { View } from 'react-native';

import { heatersOf } from '@/model/settings';
import { AddLine } from '@/bench-kit/AddLine';
import { retryPending } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { Hours } from './Hours';
import { tempNumber, typedToC } from '@/words/units';
import type { ShopScreenState } from './useShopScreen';

/** What was said, and what the storage says. */
export function ShopMessages({ here: { message, shop } }: { here: ShopScreenState }) {
  return (
    <>
      {message ? (
        <View
          role={message.bad ? 'alert' : 'status'}
          className={`border-[1.5px] p-3 mb-3 bg-panel ${message.bad ? 'border-caution' : 'border-go'}`}
        >
          <Txt tone={message.bad ? 'caution' : 'ink'} testID="message">
            {message.text}
          </Txt>
        </View>
      ) : null}
      {shop && shop.unsaved > 0 ? (
        <View role="alert" className="border-[1.5px] border-caution p-3 mb-3 bg-panel gap-2">
          <Txt tone="caution">
            {shop.unsaved} {shop.unsaved === 1 ? 'entry is' : 'entries are'} not written: the storage is full. The
            export has everything.
          </Txt>
          <Button kind="small" label="Try to write again" onPress={() => void retryPending()} />
        </View>
      ) : null}
      {shop?.problems.length ? (
        <View role="alert" className="border-[1.5px] border-caution p-3 mb-3 bg-panel">
          <Txt strong tone="caution">
            {shop.problems.length} stored {shop.problems.length === 1 ? 'entry is' : 'entries are'} not readable. They
            are kept, and go out with the export.
          </Txt>
          {shop.problems.slice(0, 5).map((p) => (
            <Txt key={p.key} size="s">
              {p.key}: {p.what}
            </Txt>
          ))}
        </View>
      ) : null}
    </>
  );
}

/** Records, statistics, money, figures. */
export function ShopLinks() {
  return (
    <>
      <Link href="/records" className="font-body text-m text-ink underline py-3">
        Records of what was handed over
      </Link>
      <Link href="/statistics" className="font-body text-m text-ink underline py-3">
        Statistics: minutes, overruns, breakage, come-backs, learning
      </Link>
      <Link href="/money" className="font-body text-m text-ink underline py-3">
        Money: margin by month, quotes against outcome
      </Link>
      <Link href="/figures" className="font-body text-m text-ink underline py-3">
        Figures: every number that the answers stand on, and where it comes from
      </Link>
    </>
  );
}

/** Units, look and sound. */
export function HowItShows({ here: { s, put } }: { here: ShopScreenState }) {
  return (
    <>
      <Choice
        label="Temperatures"
        value={s.temperature}
        options={[
          { id: 'C', name: '°C' },
          { id: 'F', name: '°F' },
        ]}
        onChange={(temperature) => void put({ temperature })}
        hint="A plate’s dial is always shown in both."
      />
      <Choice
        label="Lengths"
        value={s.length}
        options={[
          { id: 'mm', name: 'mm' },
          { id: 'in', name: 'in' },
        ]}
        onChange={(v) => void put({ length: v })}
      />
      <Choice
        label="Look"
        value={s.theme}
        options={[
          { id: 'system', name: 'As the system' },
          { id: 'light', name: 'Light' },
          { id: 'dark', name: 'Dark' },
        ]}
        onChange={(theme) => void put({ theme })}
      />
      <Choice
        label="Sound"
        value={s.sound ? 'on' : 'off'}
        options={[
          { id: 'on', name: 'On' },
          { id: 'off', name: 'Off' },
        ]}
        onChange={(v) => void put({ sound: v === 'on' })}
      />
    </>
  );
}

/** People and hours. */
export function WhoAndWhen({ here: { s, put } }: { here: ShopScreenState }) {
  return (
    <>
      <Choice
        label="Who is at the bench"
        value={s.person}
        options={s.people.map((p) => ({ id: p, name: p }))}
        onChange={(person) => void put({ person })}
      />
      <AddLine
        label="Another person"
        action="Add"
        onAdd={(name) => void put({ people: [...s.people.filter((p) => p !== name), name], person: name })}
      />
      <Hours settings={s} onChange={(c) => void put(c)} />
    </>
  );
}

/** Room, gauges, cure and what is accepted. */
export function HowItWorks({ here: { s, put } }: { here: ShopScreenState }) {
  return (
    <>
      <NumberField
        label="Room temperature"
        unit={`°${s.temperature}`}
        low={tempNumber(5, s)}
        high={tempNumber(40, s)}
        value={tempNumber(s.roomC, s)}
        onCommit={(v) => void put({ roomC: typedToC(v, s) })}
      />
      <Choice
        label="A fan or draught over the bench"
        value={s.draught ? 'yes' : 'no'}
        options={[
          { id: 'no', name: 'Still air' },
          { id: 'yes', name: 'Fan or draught' },
        ]}
        onChange={(v) => void put({ draught: v === 'yes' })}
        hint="Moving air cools the open face: heating takes longer and the window is shorter."
      />
      <LengthField
        label="Depth gauge: scatter of ten readings at one point"
        lowMm={0.002}
        highMm={0.2}
        digits={3}
        valueMm={s.gaugeU.stepMm}
        units={s}
        onMm={(stepMm) => void put({ gaugeU: { ...s.gaugeU, stepMm } })}
      />
      <LengthField
        label="Feeler or caliper: scatter of ten readings in one gap"
        lowMm={0.005}
        highMm={0.3}
        digits={3}
        valueMm={s.gaugeU.gapMm}
        units={s}
        onMm={(gapMm) => void put({ gaugeU: { ...s.gaugeU, gapMm } })}
      />
      <Choice
        label="Clamps off, going on and hand-over wait for"
        value={s.cureBy}
        options={[
          { id: 'usual', name: 'The usual time' },
          { id: 'late', name: 'The latest time' },
        ]}
        onChange={(cureBy) => void put({ cureBy })}
        hint="A press or hold test and the full bond always wait for the latest time. It stands on the customer’s sheet."
      />
      <View className="mb-3">
        <Txt strong>Heaters out of arm’s reach of the others</Txt>
        {heatersOf(s).map((h) => (
          <Tick
            key={h.id}
            label={h.name}
            on={s.apart.includes(h.id)}
            onChange={(on) => void put({ apart: on ? [...s.apart, h.id] : s.apart.filter((x) => x !== h.id) })}
          />
        ))}
        <Txt size="s" tone="ink2">
          Alcohol and open solvent glue on another job forbid a gun or dryer that stands within reach.
        </Txt>
      </View>
      <NumberField
        label="Accepted chance of breaking a cover"
        unit="%"
        low={0.1}
        high={50}
        digits={1}
        value={s.breakLimit * 100}
        onCommit={(v) => void put({ breakLimit: v / 100 })}
      />
    </>
  );
}

/** Air of the bench room. */
export function RoomAir({ here: { s, put } }: { here: ShopScreenState }) {
  return (
    <Disclosure title="Air of the bench room">
      <NumberField
        label="Room"
        unit="m³"
        low={2}
        high={10000}
        value={s.air.roomM3}
        onCommit={(roomM3) => void put({ air: { ...s.air, roomM3 } })}
      />
      <NumberField
        label="Air changes"
        unit="per hour"
        low={0}
        high={100}
        digits={1}
        value={s.air.ach}
        onCommit={(ach) => void put({ air: { ...s.air, ach } })}
      />
      <NumberField
        label="Air round the bench that nothing carries off"
        unit="litres"
        low={5}
        high={10000}
        value={s.air.nearM3 * 1000}
        onCommit={(v) => void put({ air: { ...s.air, nearM3: v / 1000 } })}
      />
    </Disclosure>
  );
}
