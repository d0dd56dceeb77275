import { Link } from 'expo-router';
import { View } from 'react-native';

import { rowsCsv } from '@/model/csv';
import { stageNames } from '@/model/stages';
import { type StageMinutes } from '@/work/records/shopStatistics';
import { Button } from '@/ui/Button';
import { download } from '@/ui/download';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { useStatisticsScreen } from './useStatisticsScreen';
import { Filters, MinutesOfStages, BreakageFigures, ComeBackFigures, LearningCurve, kindName } from './StatisticsParts';

function overrunSentence(list: readonly StageMinutes[]): string {
  const named = list.filter((m) => m.stands).sort((a, b) => b.overrun!.lostS - a.overrun!.lostS);
  if (!list.length) return 'Nothing was worked through yet.';
  if (!named.length) return 'No stage runs over its plan more than chance would have it.';
  const [first, ...rest] = named;
  return `${stageNames[first!.stage]} runs over its plan, × ${first!.overrun!.ratio.toFixed(2)}: ${Math.round(first!.overrun!.lostS / 60)} min lost in ${first!.overrun!.n} jobs${rest.length ? `; also ${rest.map((m) => stageNames[m.stage].toLowerCase()).join(', ')}` : ''}.`;
}

const minutesCsv = (list: readonly StageMinutes[]): string =>
  rowsCsv(
    [
      'stage',
      'jobs',
      'median_min',
      'p80_min',
      'ratio_to_plan',
      'ratio_low',
      'ratio_high',
      'share_over_plan',
      'lost_min',
    ],
    list.map((m) => [
      m.stage,
      m.n,
      Number(m.medianMin.toFixed(2)),
      Number(m.p80Min.toFixed(2)),
      m.overrun ? Number(m.overrun.ratio.toFixed(3)) : '',
      m.overrun && m.overrun.n > 1 ? Number(m.overrun.low.toFixed(3)) : '',
      m.overrun && m.overrun.n > 1 ? Number(m.overrun.high.toFixed(3)) : '',
      m.overrun ? Number(m.overrun.over.share.toFixed(3)) : '',
      m.overrun ? Math.round(m.overrun.lostS / 60) : '',
    ]),
  );

/** Minutes, overruns, breakage, come-backs and learning, from the shop's own log. */
export function StatisticsScreen() {
  const here = useStatisticsScreen();
  const { own, finished, who, minutes, curveKind } = here;
  return (
    <PlaceFrame
      title="Statistics"
      line={`${own.length} of ${finished.length} jobs handed over${who ? `, repaired by ${who}` : ''}`}
      actions={
        <View className="flex-1">
          <Button
            kind="main"
            label="Minutes as CSV"
            disabled={!minutes.length}
            onPress={() => download('minutes.csv', minutesCsv(minutes), 'text/csv')}
          />
        </View>
      }
    >
      <Filters here={here} />
      <Txt strong size="l" level={2} className="mt-3">
        Minutes of each stage
      </Txt>
      <Txt>{overrunSentence(minutes)}</Txt>
      <MinutesOfStages here={here} />
      <Txt strong size="l" level={2} className="mt-4">
        Covers that broke while they were to be saved
      </Txt>
      <BreakageFigures here={here} />
      <Txt strong size="l" level={2} className="mt-4">
        Come-backs
      </Txt>
      <ComeBackFigures here={here} />
      <Txt strong size="l" level={2} className="mt-4">
        Learning
      </Txt>
      <Txt>{kindName(curveKind)}</Txt>
      <LearningCurve here={here} />
      <Link href="/records" className="font-body text-m text-ink underline py-3">
        Records of what was handed over
      </Link>
      <Link href="/money" className="font-body text-m text-ink underline py-3">
        Money: quotes against outcome
      </Link>
    </PlaceFrame>
  );
}
