import type { PracticeBench } from '@/core/practice/bench';
import type { BenchState } from '@/core/practice/happened';
import type { ByCalls } from '@/core/practice/byCalls';
import type { Settings } from '@/model/settings';
import type { Ending } from '@/work/practice/exercises';
import { edgeName } from '@/words/placeNames';
import { t } from '@/words/practice';
import { told } from '@/words/told';
import { practiceCostMinor, type Outcome } from '@/work/practice/practiceCost';
import { digits, price, spoken, temp } from '@/words/units';
import { watchedNames } from '@/words/watchedNames';

type Units = Pick<Settings, 'temperature' | 'length'>;

/** How it ended. */
export function endedText(ended: Ending, s: BenchState, bench: PracticeBench, heats: number): string {
  const time = spoken(s.tS);
  const hot = Object.entries(s.hot).find(([, h]) => h.aboveStopS > 0);
  switch (ended) {
    case 'passed':
      return t('endedPassed', { time, count: heats });
    case 'broke':
      return t('endedBroke', {
        place: edgeName(bench.about.path.point(s.broke!.sMm).edge),
        time: spoken(s.broke!.atS),
      });
    case 'hurt':
      return t('endedHurt', { name: told(s.hurt[0]!.name), time: spoken(s.hurt[0]!.atS) });
    case 'flash':
      return t('endedFlash');
    case 'tooHot':
      return t('endedTooHot', {
        part: watchedNames[hot![0] as keyof typeof watchedNames],
        s: Math.round(hot![1].aboveStopS),
      });
    case 'given up':
      return t('endedGivenUp', { time });
  }
}

const because = {
  cold: 'whyCold',
  fast: 'whyFast',
  chip: 'whyChip',
  corner: 'whyCorner',
  pull: 'whyPull',
  chance: 'whyChance',
} as const;

/** What to do differently; null: it came to no end. */
export function whyText(
  ended: Ending,
  s: BenchState,
  units: Units,
  bench: Pick<PracticeBench, 'about'>,
): string | null {
  if (s.flash) return t('whyFlash');
  if (s.broke) {
    const key = because[s.broke.because];
    return key === 'whyCold' || key === 'whyFast' ? t(key, { tC: temp(s.broke.tC, units) }) : t(key);
  }
  const hurt = s.hurt[0];
  if (hurt) return t('whyHurt', { depth: digits(hurt.depthMm, 1), limit: digits(hurt.limitMm, 1) });
  return ended === 'tooHot'
    ? bench.about.lens
      ? t('whyHotCamera')
      : t('whyHot')
    : ended === 'passed'
      ? t('whyPassed')
      : null;
}

/** What nobody could see. */
export function truthText(bench: PracticeBench): string {
  const { lnScale, heaterZ, chips } = bench.truth;
  const factor = Math.exp(lnScale);
  const glue = factor > 0.9 && factor < 1.1 ? t('truthUsual') : t('truthGlue', { factor: digits(factor, 1) });
  const [a, b] = heaterZ;
  const heater = Math.abs(a + b) < 1 ? '' : ` ${t('truthHeater', { more: a + b > 0 ? t('moreWord') : t('lessWord') })}`;
  return `${glue}${heater}${chips.length ? ` ${t('truthChips', { count: chips.length })}` : ''}`;
}

export const callsText = (c: Omit<ByCalls, 'served'>): string =>
  c.broke ? t('byTheCallsBroke') : t('byTheCalls', { time: spoken(c.seconds), count: c.heats });

/** What it would have cost, against what the calls would have. */
export const costText = (own: Outcome, calls: Outcome, s: Settings): string =>
  t('costOf', {
    own: price(practiceCostMinor(own, s), s.money.currency),
    calls: price(practiceCostMinor(calls, s), s.money.currency),
  });
