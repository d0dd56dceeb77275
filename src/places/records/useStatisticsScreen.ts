import { coverKinds } from '@/core/device/coverKinds';
import type { Construction } from '@/core/device/types';
import { useMemo, useState } from 'react';

import { type StageId } from '@/model/stages';
import { kindOf } from '@/work/bench/shopDurations';
import {
  breakageOf,
  comeBacksOf,
  filtered,
  handedOverByWeek,
  learningOf,
  bondingMethodOf,
  stageMinutesOf,
} from '@/work/records/shopStatistics';
import { breakWeight } from '@/core/intake/routeFigures';
import { useJobs, useSettings } from '@/store/shop';
import { useRoom } from '@/bench-kit/pageRoom';
import { useNow } from '@/bench-kit/useNow';
import { useWide } from '@/ui/useWide';

export const all = '';

const day = 86400e3;

const periods = { d30: 30, d60: 60, all: 1e5 };

/** How it stands: what StatisticsScreen shows and does. */
export function useStatisticsScreen() {
  const jobs = useJobs();
  const settings = useSettings();
  const now = useNow(60_000);
  const [person, setPerson] = useState(all);
  const [kind, setKind] = useState(all);
  const [school, setSchool] = useState(all);
  const [period, setPeriod] = useState<keyof typeof periods>('all');
  const [stage, setStage] = useState<StageId | 'all'>('all');
  const today = Math.ceil(now / day) * day;
  const finished = useMemo(() => jobs.filter((j) => j.closedAt !== null), [jobs]);
  const kinds = useMemo(() => [...new Set(finished.map(kindOf))].sort(), [finished]);
  const schools = useMemo(
    () => [...new Set(finished.map(bondingMethodOf).filter((s) => s !== null))].sort(),
    [finished],
  );
  const list = useMemo(
    () =>
      filtered(jobs, {
        person: null,
        kind: kind || null,
        school: school || null,
        sinceAt: today - periods[period] * day,
      }),
    [jobs, kind, school, today, period],
  );
  const who = person || null;
  const own = useMemo(
    () => (who ? filtered(list, { person: who, kind: null, school: null, sinceAt: 0 }) : list),
    [list, who],
  );
  const minutes = useMemo(() => stageMinutesOf(list, who), [list, who]);
  const breakage = useMemo(
    () => breakageOf(own, { chance: settings.breakLimit, weight: breakWeight.value }),
    [own, settings.breakLimit],
  );
  const comeBacks = useMemo(() => comeBacksOf(own, jobs, today), [own, jobs, today]);
  const curveKind =
    kind || (kinds.find((k) => coverKinds[k.split('/')[0] as Construction]?.hard === 'experienced') ?? kinds[0] ?? '');
  const curve = useMemo(() => learningOf(list, curveKind, stage, who), [list, curveKind, stage, who]);
  const weeks = useMemo(() => handedOverByWeek(own), [own]);
  const wide = useWide();
  const chartWidth = useRoom(wide ? 2 : 1);
  return {
    stage,
    minutes,
    setStage,
    curve,
    weeks,
    chartWidth,
    comeBacks,
    breakage,
    period,
    setPeriod,
    person,
    settings,
    setPerson,
    kind,
    school,
    kinds,
    setKind,
    schools,
    setSchool,
    own,
    finished,
    who,
    curveKind,
  };
}
export type StatisticsScreenState = ReturnType<typeof useStatisticsScreen>;
