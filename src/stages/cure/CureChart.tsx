import { View } from 'react-native';

import { markOf, progressAt, shareDone, steady, type ClimateStep } from '@/core/cure/laws';
import type { JobCure } from '@/work/cure/cureJob';
import { useSettings } from '@/store/shop';
import { Plot } from '@/ui/chart/Plot';
import { digits, length, span, temp, toF } from '@/words/units';
import { t } from '@/words/cure';

const points = 49;
const hour = 3600;

/** The air that a bond has at an instant, s after closing. */
const airAt = (steps: readonly ClimateStep[], s: number) => steps.findLast((c) => c.fromS <= s) ?? steps[0]!;

/**
 * How far the bond is over its hours, with the range of what is not known about its edges, and the air that it has.
 * A glue that dries is shown beside 1 and 2 mm at 23 °C: the same glue at another width.
 */
export default function CureChart({ cure, now, width }: { cure: JobCure; now: number; width: number }) {
  const settings = useSettings();
  const dries = cure.kind === 'solvent';
  const endH = Math.min(120, Math.max(24, Math.ceil(cure.clocks.full.high / hour / 12) * 12));
  const at = Array.from({ length: points }, (_, i) => (i / (points - 1)) * endH * hour);
  const curve = (mm: number, steps: JobCure['steps'], factor: number) =>
    at.map((s) => {
      const done = shareDone(cure.kind, progressAt(cure.kind, mm, steps, s), factor);
      return 100 * (dries ? 1 - done : done);
    });
  const slow = curve(cure.bondMm, cure.steps, cure.edges.high);
  const fast = curve(cure.bondMm, cure.steps, cure.edges.low);
  const full = 100 * markOf(cure.kind, 'full').value;
  const since = cure.startAt === null ? null : (now - cure.startAt) / 1e3;
  const instants = since !== null && since < endH * hour ? [{ name: t('nowShort'), at: since }] : [];
  const x = { at, kind: 'span' as const, name: t('sinceClosed'), text: span };
  const share = (v: number) => `${digits(v)} %`;
  const mid = Math.round(points / 2);
  const toUnit = (c: number) => (settings.temperature === 'C' ? c : toF(c));
  return (
    <View>
      <Plot
        label={
          dries
            ? t('solventLeftOverHoursThisJoint', { endH, points: digits(slow[mid]!), endH2: Math.round(endH / 2) })
            : t('bondReachedOverHours', { endH, points: digits(slow[mid]!), endH2: Math.round(endH / 2) })
        }
        width={width}
        x={x}
        y={{ name: dries ? t('solventLeft') : t('bondReached'), text: share, from: 0, to: 100 }}
        lines={[
          {
            id: 'own',
            name: t('thisJoint', { bondMm: length(cure.bondMm, settings, 1) }),
            y: slow,
            band: {
              low: slow.map((v, i) => Math.min(v, fast[i]!)),
              high: slow.map((v, i) => Math.max(v, fast[i]!)),
            },
          },
          ...(dries
            ? [
                { mm: 1, dash: [2, 4] },
                { mm: 2, dash: [8, 4] },
              ].map(({ mm, dash }) => ({
                id: String(mm),
                name: t('asWideAs', { mm: length(mm, settings, 0), at: temp(23, settings) }),
                y: curve(mm, steady(23), 1),
                tone: 'ink2' as const,
                dash,
              }))
            : []),
        ]}
        marks={[{ name: t('countsAsCured', { share: share(full) }), at: full, tone: 'go' }]}
        instants={instants}
      />
      <Plot
        label={t('airOverTheSameHours')}
        width={width}
        height={120}
        x={x}
        y={{ name: t('airOverTheSameHours'), text: (v) => `${digits(v)}°` }}
        lines={[{ id: 'air', name: t('air2'), y: at.map((s) => toUnit(airAt(cure.steps, s).tC)) }]}
        instants={instants}
      />
    </View>
  );
}
