import { Link } from 'expo-router';
import { View } from 'react-native';

import { heatersOf } from '@/model/settings';
import { AddLine } from '@/bench-kit/AddLine';
import { retryPending } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { useSourceLine } from '@/bench-kit/useFigureWords';
import { roomSource } from '@/core/alcohol/vapour';
import { uGapMm, uStepMm } from '@/core/fit/gaugeFigures';
import { breakLimit } from '@/core/lift/verdict';
import { NumberField } from '@/ui/NumberField';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { Hours } from './Hours';
import { tempNumber, typedToC } from '@/words/units';
import { VoiceSettings } from './VoiceSettings';
import type { ShopScreenState } from './useShopScreen';
import { languageNames, languages } from '@/words/language';
import { t } from '@/words/shop';
import { told } from '@/words/told';

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
            {shop.unsaved === 1
              ? t('entryIsNotWrittenNoRoom', { unsaved: shop.unsaved })
              : t('entriesAreNotWrittenNoRoom', { unsaved: shop.unsaved })}
          </Txt>
          <Button kind="small" label={t('tryToWriteAgain')} onPress={() => void retryPending()} />
        </View>
      ) : null}
      {shop?.problems.length ? (
        <View role="alert" className="border-[1.5px] border-caution p-3 mb-3 bg-panel">
          <Txt strong tone="caution">
            {shop.problems.length === 1
              ? t('storedEntryCannotBeReadIt', { n: shop.problems.length })
              : t('storedEntriesCannotBeReadThey', { count: shop.problems.length })}
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
        {t('recordsOfWhatWasHandedOver')}
      </Link>
      <Link href="/statistics" className="font-body text-m text-ink underline py-3">
        {t('statisticsMinutesOverrunsBreakageComeBacks')}
      </Link>
      <Link href="/money" className="font-body text-m text-ink underline py-3">
        {t('moneyMarginByMonthQuotesAgainst')}
      </Link>
      <Link href="/figures" className="font-body text-m text-ink underline py-3">
        {t('figuresEveryNumberBehindTheAnswers')}
      </Link>
    </>
  );
}

/** In what it is told: degrees, lengths, language. */
export function Units({ here: { s, put } }: { here: ShopScreenState }) {
  return (
    <>
      <Choice
        label={t('temperatures')}
        value={s.temperature}
        options={[
          { id: 'C', name: '°C' },
          { id: 'F', name: '°F' },
        ]}
        onChange={(temperature) => void put({ temperature })}
        hint={t('aPlatesDialIsAlwaysShown')}
      />
      <Choice
        label={t('lengths')}
        value={s.length}
        options={[
          { id: 'mm', name: 'mm' },
          { id: 'in', name: 'in' },
        ]}
        onChange={(v) => void put({ length: v })}
      />
      <Choice
        label={t('language')}
        value={s.language}
        options={languages.map((id) => ({ id, name: languageNames[id] }))}
        onChange={(language) => void put({ language })}
      />
    </>
  );
}

/** Units, look and sound. */
export function HowItShows({ here }: { here: ShopScreenState }) {
  const { s, put } = here;
  return (
    <>
      <Units here={here} />
      <Choice
        label={t('look')}
        value={s.theme}
        options={[
          { id: 'system', name: t('asTheSystem') },
          { id: 'light', name: t('light') },
          { id: 'dark', name: t('dark') },
        ]}
        onChange={(theme) => void put({ theme })}
      />
      <Choice
        label={t('lettersAndButtons')}
        value={s.touch}
        options={[
          { id: 'usual', name: t('asUsual') },
          { id: 'gloves', name: t('forGloves') },
          { id: 'third', name: t('mainOverAThird') },
        ]}
        onChange={(touch) => void put({ touch })}
        hint={t('forGlovesHint')}
      />
      <Choice
        label={t('sound')}
        value={s.sound ? 'on' : 'off'}
        options={[
          { id: 'on', name: t('on') },
          { id: 'off', name: t('off') },
        ]}
        onChange={(v) => void put({ sound: v === 'on' })}
      />
      <VoiceSettings here={here} />
    </>
  );
}

/** People and hours. */
export function WhoAndWhen({ here: { s, put } }: { here: ShopScreenState }) {
  return (
    <>
      <Choice
        label={t('whoIsAtTheBench')}
        value={s.person}
        options={s.people.map((p) => ({ id: p, name: p }))}
        onChange={(person) => void put({ person })}
      />
      <AddLine
        label={t('anotherPerson')}
        action={t('add')}
        onAdd={(name) => void put({ people: [...s.people.filter((p) => p !== name), name], person: name })}
      />
      <Hours settings={s} onChange={(c) => void put(c)} />
    </>
  );
}

/** Room, gauges, cure and what is accepted. */
export function HowItWorks({ here: { s, put } }: { here: ShopScreenState }) {
  const sourceLine = useSourceLine();
  return (
    <>
      <NumberField
        label={t('roomTemperature')}
        unit={`°${s.temperature}`}
        low={tempNumber(5, s)}
        high={tempNumber(40, s)}
        value={tempNumber(s.roomC, s)}
        onCommit={(v) => void put({ roomC: typedToC(v, s) })}
      />
      <Choice
        label={t('aFanOrDraughtOverThe')}
        value={s.draught ? 'yes' : 'no'}
        options={[
          { id: 'no', name: t('stillAir') },
          { id: 'yes', name: t('fanOrDraught') },
        ]}
        onChange={(v) => void put({ draught: v === 'yes' })}
        hint={t('movingAirCoolsTheOpenFace')}
      />
      <LengthField
        label={t('depthGaugeScatterOfTenReadings')}
        lowMm={0.002}
        highMm={0.2}
        digits={3}
        valueMm={s.gaugeU.stepMm}
        hint={sourceLine(uStepMm)}
        units={s}
        onMm={(stepMm) => void put({ gaugeU: { ...s.gaugeU, stepMm } })}
      />
      <LengthField
        label={t('feelerOrCaliperScatterOfTen')}
        lowMm={0.005}
        highMm={0.3}
        digits={3}
        valueMm={s.gaugeU.gapMm}
        hint={sourceLine(uGapMm)}
        units={s}
        onMm={(gapMm) => void put({ gaugeU: { ...s.gaugeU, gapMm } })}
      />
      <Choice
        label={t('clampsOffGoingOnAndHand')}
        value={s.cureBy}
        options={[
          { id: 'usual', name: t('theUsualTime') },
          { id: 'late', name: t('theLatestTime') },
        ]}
        onChange={(cureBy) => void put({ cureBy })}
        hint={t('aPressOrAirTestAnd')}
      />
      <View className="mb-3">
        <Txt strong>{t('heatersOutOfArmsReachOf')}</Txt>
        {heatersOf(s).map((h) => (
          <Tick
            key={h.id}
            label={told(h.name)}
            on={s.apart.includes(h.id)}
            onChange={(on) => void put({ apart: on ? [...s.apart, h.id] : s.apart.filter((x) => x !== h.id) })}
          />
        ))}
        <Txt size="s" tone="ink2">
          {t('alcoholAndOpenSolventGlueOn')}
        </Txt>
      </View>
      <NumberField
        label={t('acceptedChanceOfBreakingABack')}
        unit="%"
        low={0.1}
        high={50}
        digits={1}
        value={s.breakLimit * 100}
        hint={sourceLine(breakLimit)}
        onCommit={(v) => void put({ breakLimit: v / 100 })}
      />
    </>
  );
}

/** Air of the bench room. */
export function RoomAir({ here: { s, put } }: { here: ShopScreenState }) {
  const sourceLine = useSourceLine();
  return (
    <Disclosure title={t('airOfTheBenchRoom')}>
      <NumberField
        label={t('room')}
        unit="m³"
        low={2}
        high={10000}
        value={s.air.roomM3}
        hint={sourceLine(roomSource)}
        onCommit={(roomM3) => void put({ air: { ...s.air, roomM3 } })}
      />
      <NumberField
        label={t('airChanges')}
        unit="per hour"
        low={0}
        high={100}
        digits={1}
        value={s.air.ach}
        onCommit={(ach) => void put({ air: { ...s.air, ach } })}
      />
      <NumberField
        label={t('airRoundTheBenchThatNothing')}
        unit="litres"
        low={5}
        high={10000}
        value={s.air.nearM3 * 1000}
        onCommit={(v) => void put({ air: { ...s.air, nearM3: v / 1000 } })}
      />
    </Disclosure>
  );
}
