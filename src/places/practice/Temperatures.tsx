import { Suspense } from 'react';
import { View } from 'react-native';

import type { HeatSwitch } from '@/core/heat/member';
import { PracticeBench } from '@/core/practice/bench';
import type { BenchState } from '@/core/practice/happened';
import type { PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { Plot } from '@/ui/chart/LazyPlot';
import { t } from '@/words/practice';
import { clock, toF } from '@/words/units';

const points = 61;

/** First edge and battery as they were, the edge as the app believed, and when it lay on the heat. */
export function Temperatures({
  run,
  bench,
  gapMm,
  end,
  width,
}: {
  run: PracticeRun;
  bench: PracticeBench;
  gapMm: number;
  end: BenchState;
  width: number;
}) {
  const settings = useSettings();
  const { about } = bench;
  const toUnit = (c: number) => (settings.temperature === 'C' ? c : toF(c));
  const toS = Math.max(60, end.tS);
  const at = Array.from({ length: points }, (_, i) => (i * toS) / (points - 1));
  const switches = run.acts.flatMap((a): HeatSwitch[] =>
    a.action.kind === 'heat'
      ? [{ atS: a.atS, setC: a.action.setC, preheated: a.action.preheated, heater: a.action.heater, use: a.action.use }]
      : a.action.kind === 'off'
        ? [{ atS: a.atS, setC: null, preheated: false }]
        : [],
  );
  // the same heats on a device that is as it was believed
  const asBelieved = new PracticeBench(about, {
    ...{ ...bench.truth, heaterZ: [0, 0], ambientK: 0, lnScale: 0, crackTurn: 0 },
  });
  const watched = about.lens ? 'camera' : 'battery';
  const hotName = about.lens ? t('cameraTrue') : t('batteryTrue');
  const hotC = at.map((s) => bench.partC(end, watched, s));
  const stopC = about.marks[watched]?.stopC;
  return (
    <Suspense fallback={<View style={{ height: 300 }} />}>
      <Plot
        label={about.lens ? t('lineAndCamera') : t('lineAndBattery')}
        width={width}
        height={240}
        x={{ at, kind: 'span', name: t('clockRuns'), text: clock }}
        y={{ name: t('temperatureTrue', { unit: settings.temperature }), text: (v) => `${Math.round(v)}°` }}
        lines={[
          {
            id: 'edge',
            name: about.lens ? t('tapeTrue') : t('firstEdgeTrue'),
            y: at.map((s) => toUnit(bench.lineC(end, gapMm, s))),
          },
          ...(switches.length
            ? [
                {
                  id: 'believed',
                  name: about.lens ? t('believedTape') : t('believedEdge'),
                  y: at.map((s) => toUnit(asBelieved.lineC({ switches }, gapMm, s))),
                  tone: 'ink2' as const,
                  dash: [2, 4],
                },
              ]
            : []),
          {
            id: 'battery',
            name: hotName,
            y: hotC.map((c) => (c === null ? null : toUnit(c))),
            tone: 'caution',
            dash: [8, 4],
          },
        ]}
        marks={
          stopC === undefined
            ? []
            : [{ name: `${hotName} ${Math.round(toUnit(stopC))}°`, at: toUnit(stopC), tone: 'caution' }]
        }
        instants={switches
          .slice(0, 12)
          .map((s) => ({ name: s.setC === null ? t('offHeatMark') : t('onHeatMark'), at: s.atS }))}
      />
    </Suspense>
  );
}
