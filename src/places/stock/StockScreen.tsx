import { useMemo, useState } from 'react';

import type { Settings } from '@/model/settings';
import { stockNow } from '@/model/stock';
import { adviceFor } from '@/model/stockUse';
import { saveSettings, useJobs, useSettings, useDevices } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { BeadsSeen } from './BeadsSeen';
import { Liquids } from './Liquids';
import { Orders } from './Orders';
import { Parts } from './Parts';
import { BondingMethodFigures } from './BondingMethodFigures';
import { ShelfAir } from './ShelfAir';
import { StockFiles } from './StockFiles';
import { Tapes } from './Tapes';
import { t } from '@/words/stock';

/** What is at hand for bonding and holding; what the jobs took is drawn off, what is counted here starts anew. */
export function StockScreen() {
  const s = useSettings();
  const jobs = useJobs();
  const devices = useDevices();
  const [problem, setProblem] = useState<string | null>(null);
  const now = useNow(60_000);
  const stock = useMemo(() => stockNow(s, jobs), [s, jobs]);
  const advice = useMemo(() => adviceFor(s, stock, jobs, now), [s, stock, jobs, now]);
  const put = (change: Partial<Settings>) => {
    setProblem(null);
    saveSettings({ ...s, ...change }).catch((e: unknown) => setProblem(savingTrouble(e)));
  };
  const counts = (id: string, taken: number) => put({ ringsInStock: { ...s.ringsInStock, [id]: taken } });
  return (
    <PlaceFrame title={t('stock')} line={t('partsTapeLiquidsRingsWhatHolds')}>
      {problem ? (
        <Txt tone="caution" className="mb-2">
          {problem}
        </Txt>
      ) : null}
      <Orders settings={s} advice={advice} now={now} onChange={put} />
      <Parts settings={s} stock={stock} advice={advice} now={now} onChange={put} />
      <Tapes settings={s} stock={stock} onChange={(tapes) => put({ tapes })} />
      <Liquids settings={s} stock={stock} onChange={put} />
      <Disclosure title={t('preCutRings')}>
        {devices.map(({ device: d }) => {
          const left = stock.rings.get(d.id) ?? 0;
          const used = (s.ringsInStock[d.id] ?? 0) - left;
          return (
            <NumberField
              key={d.id}
              label={t('ringsFor', { name: d.name })}
              unit="pieces"
              low={0}
              high={500}
              value={left}
              // what the jobs took stays drawn off: the count is of what lies here now
              onCommit={(v) => counts(d.id, Math.round(v) + Math.max(0, used))}
            />
          );
        })}
      </Disclosure>
      <Disclosure title={t('clipsWeightsBag')}>
        {s.clips.map((c) => (
          <NumberField
            key={c.id}
            label={t('sOfN', { name: c.name, forceN: c.forceN })}
            unit="pieces"
            low={0}
            high={200}
            value={c.owned}
            onCommit={(v) => put({ clips: s.clips.map((x) => (x.id === c.id ? { ...x, owned: Math.round(v) } : x)) })}
          />
        ))}
        {s.weights.map((w) => (
          <NumberField
            key={w.id}
            label={t('weightsOfKg', { massKg: w.massKg })}
            unit="pieces"
            low={0}
            high={100}
            value={w.owned}
            onCommit={(v) =>
              put({ weights: s.weights.map((x) => (x.id === w.id ? { ...x, owned: Math.round(v) } : x)) })
            }
          />
        ))}
        <NumberField
          label={t('vacuumBagHighestPressure0Without')}
          unit="kPa"
          low={0}
          high={95}
          value={s.bagKPa}
          onCommit={(bagKPa) => put({ bagKPa })}
        />
      </Disclosure>
      <StockFiles settings={s} stock={stock} onChange={put} />
      <ShelfAir settings={s} onChange={put} />
      <BondingMethodFigures settings={s} onChange={put} />
      <BeadsSeen settings={s} onChange={(cureSeen) => put({ cureSeen })} />
    </PlaceFrame>
  );
}
