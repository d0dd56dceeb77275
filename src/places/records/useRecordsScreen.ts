import { useDeferredValue, useMemo, useState } from 'react';

import { type Work } from '@/core/intake/works';
import { tagCode } from '@/model/tagCode';
import { functionState } from '@/work/check/faults';
import { flushOf } from '@/work/check/flushJob';
import { useJobs } from '@/store/shop';
import { textSearch } from '@/work/textSearch';
import { useMaster } from '@/bench-kit/MasterDetail';
import { useRoom } from '@/bench-kit/pageRoom';
import { useNow } from '@/bench-kit/useNow';
import { useWide } from '@/ui/useWide';
import { controlChart, finishedJobs, shopStatistics, type Finished } from '@/work/records/statistics';

const day = 86400e3;

const periods = { d30: 30, d90: 90, all: Infinity };

type Only = 'all' | 'cameBack' | 'late' | 'notFlush' | 'faults';

const has: Record<Only, (f: Finished) => boolean> = {
  all: () => true,
  cameBack: (f) => f.cameBack !== null || f.job.comeBack !== null,
  late: ({ job }) => job.promiseAt !== null && job.closedAt! > job.promiseAt,
  notFlush: ({ job }) => flushOf(job).flush !== null && flushOf(job).flush!.verdict !== 'pass',
  faults: ({ job }) => functionState(job).newFaults.length + functionState(job).unclear.length > 0,
};

/** Everything that a record is found by. */
const textOf = ({ job }: Finished) =>
  [job.label, job.model.name, job.customerMark, tagCode(job.id), ...job.notes.map((n) => n.text)].join(' ');

/** How it stands: what RecordsScreen shows and does. */
export function useRecordsScreen() {
  const jobs = useJobs();
  const now = useNow(60_000);
  const room = useRoom(useWide() ? 2 : 1);
  const [find, setFind] = useState('');
  const [period, setPeriod] = useState<keyof typeof periods>('d90');
  const [work, setWork] = useState<Work | 'all'>('all');
  const [only, setOnly] = useState<Only>('all');
  const finished = useMemo(() => finishedJobs(jobs), [jobs]);
  const typed = useDeferredValue(find);
  // whole days: what is counted does not change with every tick of the clock
  const today = Math.ceil(now / day) * day;
  const inPeriod = useMemo(
    () =>
      finished.filter(
        (f) => f.job.closedAt! >= today - periods[period] * day && (work === 'all' || f.job.route?.work === work),
      ),
    [finished, today, period, work],
  );
  const search = useMemo(() => textSearch([...inPeriod].reverse(), textOf), [inPeriod]);
  const shown = useMemo(() => search(typed).filter(has[only]), [search, typed, only]);
  const [stats, chart] = useMemo(() => [shopStatistics(inPeriod), controlChart(inPeriod)] as const, [inPeriod]);
  const signals =
    chart?.kind === 'jobs' ? chart.cusum.signals.length : (chart?.points.filter((p) => p.out).length ?? 0);
  const present = new Set(finished.map((f) => f.job.route?.work));
  const master = useMaster(shown.map((f) => f.job.id));
  return {
    master,
    shown,
    now,
    find,
    setFind,
    only,
    setOnly,
    present,
    work,
    setWork,
    stats,
    signals,
    chart,
    room,
    finished,
    period,
    setPeriod,
  };
}
export type RecordsScreenState = ReturnType<typeof useRecordsScreen>;
