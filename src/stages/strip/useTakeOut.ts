import { goTo } from '@/bench-kit/goTo';
import { bareFirst } from '@/work/strip/bareFirst';
import { listed, countOf } from '@/words/units';
import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';

import { zoneId } from '@/core/strip/graph';
import { plugNeighbours } from '@/core/strip/neighbours';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { type StripWork } from '@/work/strip/stripJob';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { useNow } from '@/bench-kit/useNow';
import { speak } from '@/bench-kit/speak';
import type { StripPhase } from './StripStage';
import { specText } from './words';
import { t } from '@/words/strip';

/** Why it comes here: what it waited for. */
export function because(work: StripWork, id: string): string {
  const needs = work.items.get(id)!.needs[0] ?? [];
  const names = needs.map((n) => work.items.get(n)!.name);
  return names.length ? t('after2', { list: listed(names) }) : t('nothingLiesOverIt');
}

/** What comes out next. */
function useNextOut({
  job,
  work,
  tabs,
  onPhase,
}: {
  job: JobState;
  work: StripWork;
  tabs: ReactNode;
  onPhase: (p: StripPhase) => void;
}) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const router = useRouter();
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'strip');
  const [lengthMm, setLengthMm] = useState<number | null>(null);
  const [lies, setLies] = useState('');
  const next = work.out.find((id) => !work.isOff(id)) ?? null;
  const item = next ? work.items.get(next)! : null;
  const holes = item?.kind === 'screws' ? job.device.screws.filter((s) => zoneId(s.zone) === next) : [];
  const hole = holes.find((s) => !job.screwsOut.has(s.id)) ?? null;
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const isCell = item?.kind === 'part' && job.device.parts.find((p) => p.id === next)?.kind === 'battery';
  const outCount = [...job.screwsOut.values()].filter((r) => !r.missing).length;

  const take = (id: string, missing = false): NewEvent => {
    const h = job.device.screws.find((s) => s.id === id)!;
    const spec = {
      head: h.head,
      diaMm: h.diaMm,
      lengthMm: lengthMm ?? h.lengthMm,
      ...(h.colour ? { colour: h.colour } : {}),
    };
    return {
      type: 'screw',
      hole: id,
      to: missing ? 'missing' : 'out',
      spec,
      ...(missing ? {} : { cell: work.cellOf(id) }),
    };
  };
  const doNext = () => {
    if (!item) return;
    if (hole) {
      const done = holes.filter((s) => job.screwsOut.has(s.id)).length + 1;
      void log([take(hole.id)]);
      setLengthMm(null);
      speak(countOf(done, holes.length), settings.spoken);
    } else if (item.kind === 'part') void log([{ type: 'partState', partId: item.id, to: 'out' }]);
    else {
      void log([
        { type: 'stripped', itemId: item.id, to: 'out', ...(lies.trim() ? { note: lies.trim().slice(0, 200) } : {}) },
      ]);
      setLies('');
    }
  };
  const plug = job.device.connectors.find((c) => c.id === next);
  const near = plug ? plugNeighbours(job.device, plug) : null;
  return {
    work,
    item,
    outCount,
    job,
    hole,
    holes,
    lengthMm,
    units,
    plug,
    near,
    isCell,
    swollen,
    onPhase,
    doNext,
    log,
    setLengthMm,
    lies,
    setLies,
    router,
    take,
    goOn,
    next,
    now,
    tabs,
    settings,
  };
}

/** How it stands: what TakeOut shows and does. */
export function useTakeOut(p: { job: JobState; work: StripWork; tabs: ReactNode; onPhase: (p: StripPhase) => void }) {
  const so = useNextOut(p);
  const {
    work,
    item,
    outCount,
    job,
    hole,
    holes,
    lengthMm,
    units,
    plug,
    near,
    isCell,
    swollen,
    onPhase,
    doNext,
    goOn,
  } = so;
  const text = ((): { sentence: string; reason: string; tone: 'ink' | 'caution' } => {
    if (work.removal === null)
      return {
        sentence: t('theseThingsBlockEachOther'),
        reason: t('whatIsUnderWhatGoesRound'),
        tone: 'caution',
      };
    if (!item)
      return {
        sentence: t('everythingThatComesOutIsOut'),
        reason: bareFirst(job)
          ? t('bareNowTheBackThenBackIn')
          : job.screwsOut.size > outCount
            ? t('screwsInTheirBoxesMissingNext', { outCount, size: job.screwsOut.size - outCount })
            : t('screwsInTheirBoxesNextWhat', { count: outCount }),
        tone: 'ink',
      };
    if (hole) {
      const n = holes.indexOf(hole) + 1;
      return {
        sentence: t('screwOfInto', { n, length: holes.length, zone: hole.zone, id: work.cellOf(hole.id) }),
        reason: t('pressHardStraightTapTheHole', {
          specText: specText({ ...hole, lengthMm: lengthMm ?? hole.lengthMm }, units),
        }),
        tone: 'ink',
      };
    }
    if (plug)
      return {
        sentence: t('off', { name: capital(plug.name) }),
        reason: [
          ...(plug.battery ? [t('firstOfAll')] : []),
          plug.kind === 'latch' ? t('latchUpThenPull', { from: near!.from }) : t('straightUp', { from: near!.from }),
          ...(near!.names.length ? [t('besideIt', { list: listed(near!.names) })] : []),
        ].join(' '),
        tone: 'ink',
      };
    if (isCell && swollen)
      return {
        sentence: t('theBatteryIsSwollenNoHeat'),
        reason: t('alcoholAndPatienceOnlyBySomebody'),
        tone: 'caution',
      };
    if (isCell)
      return {
        sentence: t('pullTabsFirst', { name: capital(item.name) }),
        reason: t('noTabWarmItFromThe'),
        tone: 'ink',
      };
    return {
      sentence: t('out3', { name: capital(item.name) }),
      reason: because(work, item.id),
      tone: 'ink',
    };
  })();
  const finished = item === null && work.removal !== null;
  const bare = finished && bareFirst(job);
  const label = !item
    ? bare
      ? goTo(job, 'strip')
      : t('nowMoveOver')
    : hole
      ? t('outInto', { id: work.cellOf(hole.id) })
      : item.kind === 'connector'
        ? t('isOff', { name: capital(item.name) })
        : t('isOut', { name: capital(item.name) });
  const act = () => (bare ? goOn() : finished ? onPhase('move') : doNext());
  return { ...so, finished, bare, onPhase, act, text, label };
}
export type TakeOutState = ReturnType<typeof useTakeOut>;
