import { LineChart } from 'react-native-chart-kit';
import { Line } from 'react-native-svg';
import { View } from 'react-native';

import { progressAt, shareDone, steady } from '@/core/cure/laws';
import { beadMarks } from '@/core/cure/solventCure';
import type { JobCure } from '@/work/cure/cureJob';
import { useSettings } from '@/store/shop';
import { chartLine, chartLook } from '@/ui/chartLook';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { length } from '@/words/units';
import { t as tr } from '@/words/cure';

const left = 50;
const height = 180;
const points = 49;

/** Solvent that is left over time: 1 mm and 2 mm at 23 °C, and this joint on its long end in its own air. */
export default function CureChart({ cure, now, width }: { cure: JobCure; now: number; width: number }) {
  const t = useTokens();
  const settings = useSettings();
  const endH = Math.min(120, Math.max(24, Math.ceil(cure.clocks.full.high / 3600 / 12) * 12));
  const at = (i: number) => (i / (points - 1)) * endH * 3600;
  const leftOf = (mm: number, steps: JobCure['steps'], factor: number) =>
    Array.from(
      { length: points },
      (_, i) => Math.round((1 - shareDone('solvent', progressAt('solvent', mm, steps, at(i)), factor)) * 1000) / 10,
    );
  const own = leftOf(cure.bondMm, cure.steps, cure.edges.high);
  const every = 12;
  const labels = Array.from({ length: points }, (_, i) =>
    i % every === 0 && i < points - 1 ? `${Math.round(at(i) / 3600)} h` : '',
  );
  const x = (s: number) => left + ((s / (endH * 3600)) * (width - left) * (points - 1)) / points;
  const since = cure.startAt === null ? null : (now - cure.startAt) / 1e3;
  const mark = beadMarks.full.value * 100;
  return (
    <View
      role="img"
      aria-label={tr('solventLeftOverHoursThisJoint', {
        endH,
        points: own[Math.round(points / 2)],
        endH2: Math.round(endH / 2),
      })}
    >
      <LineChart
        data={{
          labels,
          datasets: [
            chartLine(leftOf(1, steady(23), 1), t.ink2, [2, 4]),
            chartLine(leftOf(2, steady(23), 1), t.ink2, [8, 4]),
            chartLine(own, t.ink),
            chartLine(
              own.map(() => mark),
              t.go,
              [1, 3],
              1.5,
            ),
            { data: [0, 100], color: () => 'transparent', strokeWidth: 0, withDots: false },
          ],
        }}
        width={width}
        height={height}
        fromZero
        yAxisSuffix=" %"
        {...chartLook(t)}
        style={{ paddingRight: left }}
        decorator={() =>
          since !== null && since < endH * 3600 ? (
            <Line
              key="now"
              x1={x(since)}
              x2={x(since)}
              y1={10}
              y2={height * 0.75 + 16}
              stroke={t.ink}
              strokeWidth={1.5}
            />
          ) : null
        }
      />
      <Txt
        size="s"
        tone="ink2"
      >{`${tr('solventLeftDottedDashedBothEdges', { length: length(1, settings, 0), length2: length(2, settings, 0), bondMm: length(cure.bondMm, settings, 1) })}${since === null ? '' : ` ${tr('uprightNow')}`}`}</Txt>
    </View>
  );
}
