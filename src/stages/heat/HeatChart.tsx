import { memo } from 'react';

import { Plot } from '@/ui/chart/Plot';
import type { Marks } from '@/core/heat/opening';
import type { Settings } from '@/model/settings';
import type { Curves } from '@/work/heat/heatForecast';
import { clock, toF } from '@/words/units';
import { t } from '@/words/heat';

interface HeatChartProps {
  curves: Curves;
  easyC: number | null;
  /** of the battery; null without one */
  battery: Marks | null;
  nowS: number | null;
  /** works slowly from, and goes easily by, s of the run */
  tryFromS: number | null;
  easyByS: number | null;
  /** readings of a live probe, s of the run */
  probe: readonly { tS: number; tempC: number | null }[];
  width: number;
  units: Pick<Settings, 'temperature' | 'length'>;
}

/** Glue and battery over time with their marks: what is reached when, and how far that is from what must not be. */
export default memo(function HeatChart(p: HeatChartProps) {
  const { curves, units, width } = p;
  const n = curves.first.length;
  const shown = (c: number) => (units.temperature === 'C' ? c : toF(c));
  const all = (list: readonly number[]) => list.map(shown);
  const text = (v: number) => `${Math.round(v)}°`;
  const level = (name: string, c: number) => ({ name: `${name} ${text(shown(c))}`, at: shown(c) });
  const since = (tS: number) => tS - curves.fromS;
  const dots = p.probe.flatMap((r) =>
    r.tempC !== null && r.tS >= curves.fromS && since(r.tS) <= (n - 1) * curves.stepS
      ? [[since(r.tS), shown(r.tempC)] as const]
      : [],
  );
  const stride = Math.ceil(dots.length / 60);
  return (
    <Plot
      label={t('temperatureOverGlueUpToBattery', {
        n: clock((n - 1) * curves.stepS),
        max: Math.round(Math.max(...all(curves.first))),
        max2: Math.round(Math.max(...all(curves.battery))),
        temperature: units.temperature,
      })}
      width={width}
      height={210}
      x={{ at: curves.first.map((_, i) => i * curves.stepS), kind: 'span', name: t('timeOnIt'), text: clock }}
      y={{ name: t('temperatureIn', { unit: units.temperature }), text }}
      lines={[
        {
          id: 'first',
          name: t('firstEdgeLine'),
          y: all(curves.first),
          band: { low: all(curves.low), high: all(curves.high) },
        },
        { id: 'coldest', name: t('coldestEdgeLine'), y: all(curves.coldest), tone: 'ink2', dash: [2, 4] },
        { id: 'battery', name: t('batteryLine'), y: all(curves.battery), tone: 'caution', dash: [8, 4] },
      ]}
      marks={[
        ...(p.easyC === null ? [] : [{ ...level(t('easyAt'), p.easyC), tone: 'ink' as const }]),
        ...(p.battery ? [{ ...level(t('batteryStopAt'), p.battery.stopC), tone: 'caution' as const }] : []),
      ]}
      instants={[
        ...(p.tryFromS === null ? [] : [{ name: t('tryFromShort'), at: since(p.tryFromS) }]),
        ...(p.easyByS === null ? [] : [{ name: t('easyByShort'), at: since(p.easyByS) }]),
        ...(p.nowS === null ? [] : [{ name: t('nowShort'), at: since(p.nowS) }]),
      ]}
      {...(dots.length ? { points: { name: t('probeDots'), at: dots.filter((_, i) => i % stride === 0) } } : {})}
    />
  );
});
