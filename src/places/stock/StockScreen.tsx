import { useMemo, useState } from 'react';

import type { Settings } from '@/model/settings';
import { stockNow } from '@/model/stock';
import { adviceFor } from '@/model/stockUse';
import { saveSettings, useJobs, useSettings } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { useNow } from '@/bench-kit/useNow';
import { BeadsSeen } from './BeadsSeen';
import { Liquids } from './Liquids';
import { Orders } from './Orders';
import { Parts } from './Parts';
import { Holds, Rings } from './Counted';
import { StockGroups, type StockGroup } from './StockGroups';
import { BondingMethodFigures } from './BondingMethodFigures';
import { ShelfAir } from './ShelfAir';
import { StockFiles } from './StockFiles';
import { Tapes } from './Tapes';
import { t } from '@/words/stock';

/** What is at hand for bonding and holding; what the jobs took is drawn off, what is counted here starts anew. */
export function StockScreen() {
  const s = useSettings();
  const jobs = useJobs();
  const [problem, setProblem] = useState<string | null>(null);
  const now = useNow(60_000);
  const wide = useWide();
  const stock = useMemo(() => stockNow(s, jobs), [s, jobs]);
  const advice = useMemo(() => adviceFor(s, stock, jobs, now), [s, stock, jobs, now]);
  const put = (change: Partial<Settings>) => {
    setProblem(null);
    saveSettings({ ...s, ...change }).catch((e: unknown) => setProblem(savingTrouble(e)));
  };
  const groups: StockGroup[] = [
    {
      id: 'parts',
      title: t('parts', { n: s.parts.length }),
      node: <Parts settings={s} stock={stock} advice={advice} now={now} onChange={put} />,
    },
    {
      id: 'tapes',
      title: t('tape', { n: s.tapes.length }),
      node: <Tapes settings={s} stock={stock} onChange={(tapes) => put({ tapes })} />,
    },
    {
      id: 'liquids',
      title: t('liquids', { n: s.liquids.length }),
      node: <Liquids settings={s} stock={stock} onChange={put} />,
    },
    { id: 'rings', title: t('preCutRings'), node: <Rings settings={s} stock={stock} onChange={put} /> },
    { id: 'holds', title: t('clipsWeightsBag'), node: <Holds settings={s} onChange={put} /> },
    { id: 'files', title: t('filesAndChanges'), node: <StockFiles settings={s} stock={stock} onChange={put} /> },
    { id: 'air', title: t('shelfAndAir'), node: <ShelfAir settings={s} onChange={put} /> },
    {
      id: 'figures',
      title: t('waysOfBondingCostsAndLimits'),
      node: <BondingMethodFigures settings={s} onChange={put} />,
    },
    {
      id: 'beads',
      title: t('beadsThatHeldOrSlipped', { n: s.cureSeen.filter((x) => !x.out).length }),
      node: <BeadsSeen settings={s} onChange={(cureSeen) => put({ cureSeen })} />,
    },
  ];
  return (
    <PlaceFrame help="stock" full={wide} title={t('stock')} line={t('partsTapeLiquidsRingsWhatHolds')}>
      {problem ? (
        <Txt tone="caution" className="mb-2">
          {problem}
        </Txt>
      ) : null}
      <Orders settings={s} advice={advice} now={now} onChange={put} />
      <StockGroups groups={groups} />
    </PlaceFrame>
  );
}
