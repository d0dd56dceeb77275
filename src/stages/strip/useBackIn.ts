import { countOf } from '@/words/units';
import { goTo } from '@/bench-kit/goTo';
import { useState, type ReactNode } from 'react';

import { zoneId } from '@/core/strip/graph';
import { sortHeap, underHole, type ScrewFinding, type ScrewSpec } from '@/core/strip/screws';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { openScrews, stopsClosing, transferred, type StripWork } from '@/work/strip/stripJob';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { useNow } from '@/bench-kit/useNow';
import { speak } from '@/bench-kit/speak';
import { findingText, specText } from './words';
import { t as tr } from '@/words/strip';
import { told } from '@/words/told';

/** Holes whose screw has to come out again. */
export const wrongOf = (f: ScrewFinding): string[] =>
  f.type === 'swapped' ? [f.hole, f.with] : f.type === 'pierce' || f.type === 'wrongSpec' ? [f.hole] : [];

/** What goes in next. */
function useNextIn({ job, work, tabs }: { job: JobState; work: StripWork; tabs: ReactNode }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'strip');
  const [other, setOther] = useState<string | null>(null);
  const next = work.back.find((id) => !work.isBack(id)) ?? null;
  const item = next ? work.items.get(next)! : null;
  const zone = item?.kind === 'screws' ? (job.device.screws.find((s) => zoneId(s.zone) === next)?.zone ?? null) : null;
  // as they came out, the last one first
  const holes = zone ? work.check.refitOrder.filter((h) => job.screwsOut.get(h)!.zone === zone) : [];
  const hole = holes.find((h) => !job.screwsIn.has(h)) ?? null;
  const kinds = sortHeap([...job.screwsOut.values()]);
  const key = (s: ScrewSpec) => `${s.head}|${s.diaMm}|${s.lengthMm}|${s.colour ?? ''}`;
  const own = hole ? job.screwsOut.get(hole)! : null;
  const given = kinds.find((k) => key(k) === other) ?? own;
  const stops = work.check.findings.filter(stopsClosing);
  const serious = work.check.findings.filter((f) => f.type !== 'missing' || openScrews(job).length === 0);
  const missingPieces = work.transfer.filter((t) => t.kind !== 'part' && !transferred(job, t));
  const tested = job.prep.has('closedTest') && job.prep.has('batteryOffAgain');
  const battery = job.device.connectors.find((c) => c.battery);

  const put = (id: string, spec: ScrewSpec) =>
    ({
      type: 'screw',
      hole: id,
      to: 'in',
      spec: {
        head: spec.head,
        diaMm: spec.diaMm,
        lengthMm: spec.lengthMm,
        ...(spec.colour ? { colour: spec.colour } : {}),
      },
    }) as const;
  const say = (f: ScrewFinding) => {
    const h = 'hole' in f ? job.device.screws.find((x) => x.id === f.hole) : undefined;
    return findingText(f, units, h ? underHole(job.device, h) : null);
  };
  const act = () => {
    if (!item) return goOn();
    if (hole && given) {
      void log([put(hole, given)]);
      speak(countOf(holes.filter((h) => job.screwsIn.has(h)).length + 1, holes.length), settings.spoken);
      setOther(null);
    } else if (zone) void log([{ type: 'tightened', zone, done: true }]);
    else if (item.kind === 'part') void log([{ type: 'partState', partId: item.id, to: 'moved' }]);
    else void log([{ type: 'stripped', itemId: item.id, to: 'in' }]);
  };
  return {
    serious,
    say,
    item,
    stops,
    missingPieces,
    tested,
    hole,
    own,
    work,
    units,
    holes,
    job,
    zone,
    next,
    battery,
    log,
    kinds,
    given,
    key,
    setOther,
    put,
    now,
    act,
    tabs,
  };
}

/** How it stands: what BackIn shows and does. */
export function useBackIn(p: { job: JobState; work: StripWork; tabs: ReactNode }) {
  const so = useNextIn(p);
  const { serious, say, item, stops, missingPieces, tested, hole, own, work, units, holes, job, zone, next } = so;
  const text = ((): { sentence: string; reason: string; tone: 'ink' | 'caution' } => {
    const bad = serious.find((f) => ['pierce', 'swapped', 'wrongSpec'].includes(f.type));
    if (bad) return { sentence: say(bad), reason: tr('tapTheHoleToTakeIt'), tone: 'caution' };
    if (!item)
      return stops.length
        ? {
            sentence: say(stops[0]!),
            reason: tr('theBackCannotBeCalledReady'),
            tone: 'caution',
          }
        : missingPieces.length
          ? {
              sentence: tr('smallPiecesAreNotOverYet', { count: missingPieces.length }),
              reason: missingPieces.map((t) => told(t.name)).join(', ') + '.',
              tone: 'caution',
            }
          : !tested
            ? {
                sentence: tr('testBeforeClosing2'),
                reason: tr('connectAsLittleAsPossibleAnd'),
                tone: 'ink',
              }
            : {
                sentence: tr('allBackInTestedBatteryOff'),
                reason: tr('cleanAndCloseTheBatteryGoes'),
                tone: 'ink',
              };
    if (hole && own)
      return {
        sentence: tr('fromIntoOneTurn', { hole: work.cellOf(hole), hole2: hole }),
        reason: tr('ofStartedTightenNoneBeforeAll', {
          own: specText(own, units),
          n: holes.filter((h) => job.screwsIn.has(h)).length,
          of: holes.length,
        }),
        tone: 'ink',
      };
    if (zone)
      return {
        sentence: tr('allStartedTightenThemCrosswise', { n: holes.length }),
        reason: tr('straightPressHardOnTheDriver'),
        tone: 'ink',
      };
    if (item.kind === 'connector')
      return {
        sentence: tr('onUntilItClicks', { name: capital(told(item.name)) }),
        reason: item.battery
          ? tr('lastOfAllNothingLiesOn')
          : job.layNotes.has(item.id)
            ? tr('asItLayLineItUp', { id: job.layNotes.get(item.id) })
            : tr('lineItUpFirstThenPress'),
        tone: 'ink',
      };
    const part = job.device.parts.find((p) => p.id === next);
    if (part?.kind === 'board')
      return {
        sentence: tr('mainBoardInFarEndFirst'),
        reason: tr('nothingTrappedUnderItPlugsOut'),
        tone: 'ink',
      };
    if (part?.kind === 'battery' && job.cellChoice?.fit === 'new')
      return {
        sentence: tr('aNewBatteryIn'),
        reason: tr('theOldOneToTheCollection'),
        tone: 'ink',
      };
    return {
      sentence: tr('putIn', { name: told(item.name) }),
      reason: tr('cablesOverItNotUnderIt'),
      tone: 'ink',
    };
  })();
  const label = !item
    ? goTo(job, 'strip')
    : hole
      ? tr('isStarted', { hole })
      : zone
        ? tr('screwsAreTight', { zone: capital(zone) })
        : item.kind === 'connector'
          ? tr('itClicked')
          : tr('isIn', { name: capital(told(item.name)) });
  const shut =
    item !== null
      ? null
      : stops.length
        ? say(stops[0]!)
        : missingPieces.length
          ? tr('smallPiecesToGo', { count: missingPieces.length })
          : !tested
            ? tr('testBeforeClosing3')
            : null;
  const wrong = new Set(work.check.findings.flatMap(wrongOf));
  const zones = [...work.check.zones];
  return { ...so, zones, wrong, shut, text, label };
}
export type BackInState = ReturnType<typeof useBackIn>;
