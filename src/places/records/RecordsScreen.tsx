import { Link } from 'expo-router';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { download } from '@/ui/download';
import { Beside } from '@/bench-kit/Beside';
import { MasterDetail } from '@/bench-kit/MasterDetail';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { statisticsCsv } from '@/work/records/statistics';
import { comeBackNames, workNames } from '@/words/eventLine';
import { RecordDetail } from './LazyRecordDetail';
import { useRecordsScreen } from './useRecordsScreen';
import { RecordFigures, RecordWatch, MoreFigures, RecordFilters, RecordList } from './RecordsParts';
import { t } from '@/words/records';

/** Jobs that were handed over: searched, filtered and counted. */
export function RecordsScreen() {
  const here = useRecordsScreen();
  const { shown, finished, period, setPeriod, master } = here;
  const chosen = shown.find((f) => f.job.id === master.chosen)?.job;
  return (
    <PlaceFrame
      full={master.wide}
      help="records"
      title={t('records')}
      line={t('ofHandedOver', { n: shown.length, of: finished.length })}
      actions={
        <View className="flex-1">
          <Button
            kind="main"
            label={t('statisticsAsCsv')}
            disabled={!shown.length}
            onPress={() =>
              download(
                'records.csv',
                statisticsCsv([...shown].reverse(), { work: workNames, cause: comeBackNames }),
                'text/csv',
              )
            }
          />
        </View>
      }
    >
      <Beside
        left={
          <>
            <Choice
              label={t('period')}
              value={period}
              options={[
                { id: 'd30', name: t('n30Days') },
                { id: 'd90', name: t('n90Days') },
                { id: 'all', name: t('all2') },
              ]}
              onChange={setPeriod}
            />
            <RecordFigures here={here} />
            <MoreFigures here={here} />
            <Link href="/statistics" className="font-body text-m text-ink underline py-3">
              {t('minutesOverrunsBreakageLearning')}
            </Link>
          </>
        }
        right={<RecordWatch here={here} />}
      />
      <RecordFilters here={here} />
      <MasterDetail
        label={t('chosenRecord')}
        list={<RecordList here={here} />}
        detail={chosen ? <RecordDetail key={chosen.id} job={chosen} /> : null}
      />
    </PlaceFrame>
  );
}
