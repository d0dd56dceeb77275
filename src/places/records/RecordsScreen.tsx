import { Link } from 'expo-router';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { download } from '@/ui/download';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { statisticsCsv } from '@/work/records/statistics';
import { useRecordsScreen } from './useRecordsScreen';
import { RecordFigures, MoreFigures, RecordFilters, RecordList } from './RecordsParts';

/** Jobs that were handed over: searched, filtered and counted. */
export function RecordsScreen() {
  const here = useRecordsScreen();
  const { shown, finished, period, setPeriod } = here;
  return (
    <PlaceFrame
      title="Records"
      line={`${shown.length} of ${finished.length} handed over`}
      actions={
        <View className="flex-1">
          <Button
            kind="main"
            label="Statistics as CSV"
            disabled={!shown.length}
            onPress={() => download('records.csv', statisticsCsv([...shown].reverse()), 'text/csv')}
          />
        </View>
      }
    >
      <Choice
        label="Period"
        value={period}
        options={[
          { id: 'd30', name: '30 days' },
          { id: 'd90', name: '90 days' },
          { id: 'all', name: 'All' },
        ]}
        onChange={setPeriod}
      />
      <RecordFigures here={here} />
      <MoreFigures here={here} />
      <Link href="/statistics" className="font-body text-m text-ink underline py-3">
        Minutes, overruns, breakage, learning
      </Link>
      <RecordFilters here={here} />
      <RecordList here={here} />
    </PlaceFrame>
  );
}
