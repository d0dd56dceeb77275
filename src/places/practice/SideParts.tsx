import { useWindowDimensions } from 'react-native';

import type { JobState } from '@/model/fold';
import type { PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { RingArcs } from '@/ui/plan/layers';
import { Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/practice';
import { temp } from '@/words/units';
import { DebriefPlan, Hits } from './DebriefFrame';
import { endedText } from './debriefText';
import { Temperatures } from './Temperatures';
import type { Side } from './useSide';

/** A device whose bench and end are there. */
export type ReadySide = Side & {
  lab: NonNullable<Side['lab']>;
  end: NonNullable<Side['end']>;
  ended: NonNullable<Side['ended']>;
};
export const isReady = (s: Side): s is ReadySide => s.lab !== null && s.end !== null && s.ended !== null;

/** What happened where: what came free, where it broke, what was hit. @param share so many plans stand side by side on a phone */
export function SidePlan({
  job,
  side: { lab, end, ended, heats },
  share = 1,
}: {
  job: JobState;
  side: ReadySide;
  share?: 1 | 2;
}) {
  return (
    <DebriefPlan
      share={share}
      job={job}
      lines={[
        ...(share > 1 ? [job.label] : []),
        t('planLines', { free: Math.round(end.cut.freeMm), length: Math.round(end.cut.lengthMm) }),
        endedText(ended, end, lab.bench, heats),
      ]}
    >
      <RingArcs arcs={end.cut.free.map((f) => ({ ...f, state: 'free' as const }))} />
      {end.broke ? <Stroke pts={end.broke.crack} /> : null}
      <Hits at={end.hurt.map((h) => lab.bench.about.path.point(h.sMm).at)} />
    </DebriefPlan>
  );
}

/** What was said of the line against what it was, and how warm it was all the time. */
export function SideHeat({
  run,
  side: { lab, end, guesses },
  wide,
}: {
  run: PracticeRun;
  side: ReadySide;
  wide: boolean;
}) {
  const settings = useSettings();
  const { width } = useWindowDimensions();
  return (
    <>
      {guesses.map((g) => (
        <Txt key={g.atS} className="mt-1">
          {t('guessSaid', { said: temp(g.tC, settings), was: temp(g.wasC, settings) })}
        </Txt>
      ))}
      <Temperatures
        run={run}
        bench={lab.bench}
        gapMm={lab.gapMm}
        end={end}
        width={wide ? Math.min(820, width - 420) : width - 32}
      />
    </>
  );
}
