import { Link, type Href } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { defaultHeaters, defaultLiquids, heatersOf, type Settings } from '@/model/settings';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { told } from '@/words/told';
import { t } from '@/words/shop';
import { Units, WhoAndWhen } from './ShopParts';
import type { ShopScreenState } from './useShopScreen';

const currencies = ['€', '$', '£', 'CHF', 'kr', 'zł'];
const counts = [0, 4, 8, 12, 16, 24, 40];
/** A household's pump and bag: the shop's own figure is set under Stock. */
const usualBagKPa = 30;

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View role="region" aria-label={title} className="bg-panel border border-rule rounded-card p-4 mb-4">
      <Txt strong size="l" level={2} className="mb-2">
        {title}
      </Txt>
      {children}
    </View>
  );
}

/** The count that is offered and lies next to the one that is set. */
const nearest = (n: number): string => String(counts.reduce((a, b) => (Math.abs(b - n) < Math.abs(a - n) ? b : a)));

/**
 * What is here of a list, by a tick. What is taken off by mistake comes back as it was, with what was measured and counted of it, as
 * long as the page stands.
 */
function useHere<T extends { id: string }>(usual: readonly T[], here: readonly T[], put: (list: T[]) => void) {
  const [gone, setGone] = useState<readonly T[]>([]);
  const known = [...here, ...gone, ...usual];
  const all = known.filter((x, i) => known.findIndex((y) => y.id === x.id) === i);
  // in the order that is usual, what is the shop's own after it
  const place = (x: T) => {
    const at = usual.findIndex((u) => u.id === x.id);
    return at < 0 ? usual.length : at;
  };
  const listed = [...all].sort((a, b) => place(a) - place(b));
  const toggle = (x: T, on: boolean) => {
    if (on) return put([...here, x]);
    setGone([...gone.filter((g) => g.id !== x.id), x]);
    put(here.filter((h) => h.id !== x.id));
  };
  return { listed, toggle, isHere: (x: T) => here.some((h) => h.id === x.id) };
}

/** Heaters that stand here. */
function HeatHere({ s, put }: { s: Settings; put: (c: Partial<Settings>) => void }) {
  const measured = (id: string) => {
    const h = heatersOf(s).find((x) => x.id === id);
    return (
      h !== undefined &&
      Object.values(h).some((v) => (v as { source?: { kind?: string } })?.source?.kind === 'measured')
    );
  };
  const note = (id: string) => (measured(id) ? t('isCalibrated') : t('notCalibrated'));
  const { listed, toggle, isHere } = useHere(defaultHeaters, s.heaters, (heaters) => put({ heaters }));
  return (
    <Part title={t('setupHeat')}>
      <Txt className="py-2">
        {told(s.plate.name)}: {t('plateStays')}; {note(s.plate.id)}
      </Txt>
      {listed.map((h) => (
        <Tick
          key={h.id}
          label={told(h.name)}
          on={isHere(h)}
          onChange={(on) => toggle(h, on)}
          {...(isHere(h) ? { note: note(h.id) } : {})}
        />
      ))}
      <Link href={`/heaters/${s.plate.id}` as Href} className="font-body text-m text-ink underline py-3">
        {t('calibrateIt')}
      </Link>
    </Part>
  );
}

/** What a shop of one's own begins with: picked, not typed, each with its usual value. */
export function OwnSetup({ here }: { here: ShopScreenState }) {
  const { s } = here;
  const put = (c: Partial<Settings>) => void here.put(c);
  const liquids = useHere(defaultLiquids, s.liquids, (list) => put({ liquids: list }));
  const shown = currencies.includes(s.money.currency) ? currencies : [s.money.currency, ...currencies];
  return (
    <>
      <Part title={t('setupUnits')}>
        <Units here={here} />
        <Choice
          label={t('currencyPick')}
          value={s.money.currency}
          options={shown.map((id) => ({ id, name: id }))}
          onChange={(currency) => put({ money: { ...s.money, currency } })}
        />
      </Part>
      <Part title={t('setupPeople')}>
        <WhoAndWhen here={here} />
      </Part>
      <HeatHere s={s} put={put} />
      <Part title={t('setupHold')}>
        {s.clips.map((c) => (
          <Choice
            key={c.id}
            label={t('ownedOf', { name: told(c.name) })}
            value={nearest(c.owned)}
            options={counts.map((n) => ({ id: String(n), name: n ? String(n) : t('ownedNone') }))}
            onChange={(n) => put({ clips: s.clips.map((x) => (x.id === c.id ? { ...x, owned: Number(n) } : x)) })}
          />
        ))}
        <Tick label={t('vacuumBag')} on={s.bagKPa > 0} onChange={(on) => put({ bagKPa: on ? usualBagKPa : 0 })} />
      </Part>
      <Part title={t('setupGlue')}>
        {liquids.listed.map((l) => (
          <Tick key={l.id} label={told(l.name)} on={liquids.isHere(l)} onChange={(on) => liquids.toggle(l, on)} />
        ))}
        <Link href="/stock" className="font-body text-m text-ink underline py-3">
          {t('stockTapeLiquidsRingsClipsShelf')}
        </Link>
      </Part>
    </>
  );
}
