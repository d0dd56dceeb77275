import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useWindowDimensions } from 'react-native';

import { usePiecesBench } from '@/bench-kit/practice/usePiecesLab';
import type { Watched } from '@/core/heat/member';
import { PiecesBench, type PiecesAction, type PiecesHappened, type PiecesState } from '@/core/practice/pieces/bench';
import { workPieces } from '@/core/practice/pieces/hands';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { Pieces } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { piecesCalls, piecesEnding, type PiecesEnding } from '@/work/practice/piecesPractice';
import { playedOn, waited, type Done } from '@/work/practice/replay';
import { t } from '@/words/practice';
import { told } from '@/words/told';
import { watchedNames } from '@/words/watchedNames';
import { length, spoken, temp } from '@/words/units';
import { CallsLines } from './CallsLines';
import { DebriefFrame, DebriefPlan } from './DebriefFrame';
import { Temperatures } from './Temperatures';
import { useNoted } from './useNoted';

/** How it ended. */
function endText(ended: PiecesEnding, s: PiecesState, heats: number): string {
  const time = spoken(s.tS);
  switch (ended) {
    case 'passed':
      return t('endedPassed', { time, count: heats });
    case 'hurt':
      return t('endedHurt', { name: told(s.hit!.name), time: spoken(s.hit!.atS) });
    case 'flash':
      return t('endedFlash');
    case 'tooHot': {
      const [part, h] = Object.entries(s.bench.hot).find(([, x]) => x.aboveStopS > 0)!;
      return t('endedTooHot', { part: watchedNames[part as Watched], s: Math.round(h.aboveStopS) });
    }
    case 'shards':
      return t('endedShards', { count: s.snaps });
    case 'given up':
      return t('endedGivenUp', { time });
  }
}

/** What to do differently; null: it came to no end. */
function whyText(
  ended: PiecesEnding,
  s: PiecesState,
  happened: readonly PiecesHappened[],
  units: Settings,
): string | null {
  const snap = happened.findLast((h) => h.what === 'snapped');
  if (ended === 'passed') return t('whyPiecesGood');
  if (ended === 'hurt')
    return t('whyPieceHit', { depth: length(s.hit!.depthMm, units, 1), limit: length(s.hit!.limitMm, units, 1) });
  if (ended === 'flash') return t('whyFlash');
  if (ended === 'tooHot') return t('whyHot');
  return snap
    ? t('whyShards', {
        lift: length(snap.liftMm, units, 1),
        limit: length(snap.limitMm, units, 1),
        tC: temp(snap.tC, units),
      })
    : null;
}

/** How a shattered cover came off: what is left of it, what was hot when, and what the calls would have taken. */
export function PiecesDebrief({ run, job }: { run: PracticeRun; job: JobState }) {
  const { width } = useWindowDimensions();
  const settings = useSettings();
  const lab = usePiecesBench(run, job);
  const played = useMemo(
    () => (lab ? playedOn(lab.bench, run.acts as readonly Done<PiecesAction>[]) : null),
    [lab, run.acts],
  );
  const end = lab && played ? waited(lab.bench, played.state, run.simMs / 1e3).state : null;
  const heats = run.acts.filter((a) => a.action.kind === 'heat').length;
  const ended = lab && end ? piecesEnding(lab.bench, end) : null;
  useNoted(run, ended, end ? end.tS / 60 : 0, { heats, guessK: [] });
  const calls = useQuery({
    queryKey: ['piecesByCalls', run.seed],
    enabled: lab !== null,
    queryFn: () => {
      const { bench, start } = lab!;
      const said = piecesCalls(start, run.settings, bench.about);
      if (!said) return null;
      const again = new PiecesBench(bench.about, bench.truth);
      const w = workPieces(again, said, 'guided', run.seed);
      return {
        ...{ seconds: w.state.tS, heats: w.heats, off: again.allOff(w.state) },
        broke: piecesEnding(again, w.state) !== 'passed',
      };
    },
  }).data;
  if (!lab || !end || !ended || !played) return <DebriefFrame run={run} job={job} plan={null} told={null} />;
  const { bench } = lab;
  const said = endText(ended, end, heats);
  const why = whyText(ended, end, played.happened, settings);
  // without numbers: their order is over
  const drawn = bench.map.pieces.map((p) => ({
    ...{ loops: [p.outer, ...p.islands], labelAt: p.labelAt, areaMm2: 0, order: 0 },
    state: end.off.includes(p.id) ? ('done' as const) : ('todo' as const),
  }));
  return (
    <DebriefFrame
      run={run}
      job={job}
      plan={
        <DebriefPlan job={job} lines={[t('piecesLines', { off: end.off.length, count: drawn.length }), said]}>
          <Pieces pieces={drawn} dangling={[]} />
        </DebriefPlan>
      }
      told={(wide) => (
        <>
          <Txt strong size="xl" level={2} tone={ended === 'passed' ? 'ink' : 'caution'} testID="call">
            {said}
          </Txt>
          {why ? <Txt className="mt-1">{why}</Txt> : null}
          {end.snaps && ended !== 'shards' ? <Txt className="mt-1">{t('truthSnaps', { count: end.snaps })}</Txt> : null}
          <CallsLines calls={calls ?? null} own={{ seconds: end.tS, failed: ended !== 'passed' }} />
          <Temperatures
            run={run}
            bench={bench.inner}
            gapMm={0}
            end={end.bench}
            width={wide ? Math.min(820, width - 420) : width - 32}
          />
        </>
      )}
    />
  );
}
