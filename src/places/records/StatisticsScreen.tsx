import { Link } from 'expo-router';
import { View } from 'react-native';

import { rowsCsv } from '@/model/csv';
import { stageName } from '@/words/stageWords';
import { type StageMinutes } from '@/work/records/shopStatistics';
import { Button } from '@/ui/Button';
import { download } from '@/ui/download';
import { Beside } from '@/bench-kit/Beside';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { useStatisticsScreen } from './useStatisticsScreen';
import { Filters, MinutesOfStages, BreakageFigures, ComeBackFigures, kindName } from './StatisticsParts';
import { HandedOver, LearningCurve } from './StatisticsCurves';
import { t } from '@/words/records';
import { listed, digits } from '@/words/units';

function overrunSentence(list: readonly StageMinutes[]): string {
  const named = list.filter((m) => m.stands).sort((a, b) => b.overrun!.lostS - a.overrun!.lostS);
  if (!list.length) return t('nothingWasWorkedThroughYet');
  if (!named.length) return t('noStageRunsOverItsPlan');
  const [first, ...rest] = named;
  return rest.length
    ? t('runsOverItsPlanMinLost', {
        stage: stageName(first!.stage),
        figure: digits(first!.overrun!.ratio, 2),
        lostS: Math.round(first!.overrun!.lostS / 60),
        count: first!.overrun!.n,
        list: listed(rest.map((m) => stageName(m.stage))),
      })
    : t('runsOverItsPlanMinLost2', {
        stage: stageName(first!.stage),
        figure: digits(first!.overrun!.ratio, 2),
        lostS: Math.round(first!.overrun!.lostS / 60),
        count: first!.overrun!.n,
      });
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

function Head({ children }: { children: string }) {
  return (
    <Txt strong size="l" level={2} className="mt-3">
      {children}
    </Txt>
  );
}

/** Minutes, overruns, breakage, come-backs and learning, from the shop's own log. */
export function StatisticsScreen() {
  const here = useStatisticsScreen();
  const { own, finished, who, minutes, curveKind } = here;
  return (
    <PlaceFrame
      full
      title={t('statistics')}
      line={
        who
          ? t('ofJobsHandedOverRepairedBy', { n: own.length, of: finished.length, who })
          : t('ofJobsHandedOver', { n: own.length, of: finished.length })
      }
      actions={
        <View className="flex-1">
          <Button
            kind="main"
            label={t('minutesAsCsv')}
            disabled={!minutes.length}
            onPress={() => download('minutes.csv', minutesCsv(minutes), 'text/csv')}
          />
        </View>
      }
    >
      <Filters here={here} />
      <Beside
        left={
          <>
            <Head>{t('minutesOfEachStage')}</Head>
            <Txt>{overrunSentence(minutes)}</Txt>
            <MinutesOfStages here={here} />
            <HandedOver here={here} />
          </>
        }
        right={
          <>
            <Head>{t('backsThatBrokeWhileYouTried')}</Head>
            <BreakageFigures here={here} />
            <Head>{t('comeBacks')}</Head>
            <ComeBackFigures here={here} />
            <Head>{t('learning')}</Head>
            <Txt>{kindName(curveKind)}</Txt>
            <LearningCurve here={here} />
          </>
        }
      />
      <Link href="/records" className="font-body text-m text-ink underline py-3">
        {t('recordsOfWhatWasHandedOver')}
      </Link>
      <Link href="/money" className="font-body text-m text-ink underline py-3">
        {t('moneyQuotesAgainstOutcome')}
      </Link>
    </PlaceFrame>
  );
}
