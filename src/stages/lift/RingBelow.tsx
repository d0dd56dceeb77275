import { View } from 'react-native';

import { overMm } from '@/core/lift/depth';
import { cutSpeed, sticksAgainC } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { edgeName } from '@/work/heat/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { clock, length, percent, temp } from '@/words/units';
import { EdgeNow } from './EdgeNow';
import { GaveWay } from './GaveWay';
import { LiftLinks } from './LiftLinks';
import { ModeChoice } from './ModeChoice';
import type { RingFacts } from './ringFacts';
import { SavePanel } from './SavePanel';
import type { RingNow } from './useRing';
import type { RingActions } from './useRingActions';
import { reasonWords } from './words';

export type Finger = 'cut' | 'grip' | 'look';

interface RingBelowProps {
  job: JobState;
  settings: Settings;
  ring: RingNow;
  facts: RingFacts;
  act: RingActions;
  pegs: readonly number[];
  /** what stands in the way of cutting; null: nothing */
  shut: string | null;
  finger: Finger;
  onFinger: (f: Finger) => void;
}

/** Under the buttons: what a finger does, what the moment asks for, the edges, saving, why. */
export function RingBelow({ job, settings, ring, facts, act, pegs, shut, finger, onFinger }: RingBelowProps) {
  const units = settings;
  const { thermal, lift, nowS, setC, look, rest, restS } = ring;
  const { windows, gap } = ring.geometry;
  const { arcsC, arcC, verdict, window, lineC, state, pace, safe, folds } = facts;
  const finished = lift.nextEdge === null;
  return (
    <>
      {finished || shut ? null : (
        <Choice
          label="A finger along the edge"
          value={finger}
          options={[
            { id: 'cut', name: 'is cut' },
            { id: 'grip', name: 'stuck again' },
            { id: 'look', name: 'only looks' },
          ]}
          onChange={onFinger}
        />
      )}
      {job.calledAway ? (
        <Txt size="s" className="mt-1">
          Called away: the line is at {temp(arcC.mean, units)} now
          {look ? `, it grips in ${clock(Math.max(0, look.gripsAtS - nowS))}` : ''}.
        </Txt>
      ) : null}
      {verdict === 'reheat' && rest && rest.rests > 0 ? (
        <Txt size="s" className="mt-1">
          Let it rest before the next heat: the cell has to cool below its caution mark first.
        </Txt>
      ) : null}
      {job.freeEdges.size ? (
        <View className="mt-2" testID="stuck">
          <Txt size="s">
            Leave a pick in: let down while it is over {temp(sticksAgainC(lift.case.adhesive), units)}, an opened edge
            sticks again within minutes, also when it has hardly cooled.
          </Txt>
          <View className="flex-row flex-wrap gap-2 mt-1">
            {[...job.freeEdges].map((edge) => (
              <Button
                key={edge}
                kind="small"
                label={`${capital(edgeName(edge))} stuck again`}
                onPress={() => act.stuckAgain(edge)}
              />
            ))}
          </View>
        </View>
      ) : null}
      {lift.alcohol ? (
        <Txt size="s" className="mt-1">
          Alcohol in this edge: it opens {Math.round(lift.alcohol.lowersK)} K cooler until it has dried.
        </Txt>
      ) : null}
      {finished ? null : (
        <EdgeNow
          job={job}
          lift={lift}
          path={thermal.path}
          window={window}
          gap={gap}
          safe={safe}
          speed={pace}
          state={state}
          lowC={lineC}
          pegs={pegs}
          folds={folds}
        />
      )}
      <Disclosure title="Edges: order, depth, done">
        {lift.steps.map((s, i) => {
          const w = windows.find((x) => x.edge === s.edge)!;
          return (
            <Tick
              key={s.edge}
              label={`${i + 1}. ${edgeName(s.edge)} is free`}
              on={job.freeEdges.has(s.edge)}
              note={`${length(w.needMm, units)} to ${w.limitMm >= 30 ? 'no limit near' : `${length(w.limitMm, units)} (${w.limitedBy?.name})`}${w.closed.length ? `, not at ${w.closed.map((c) => c.by.name).join(', ')}` : ''}; ${s.reasons.map((r) => reasonWords[r]).join(', ')}. Creep up to the corners, never lift to force one.`}
              onChange={(v) => act.edge(s.edge, v)}
            />
          );
        })}
      </Disclosure>
      <SavePanel job={job} thermal={thermal} lift={lift} arcsC={arcsC} rest={rest} setC={setC} restS={restS} />
      <GaveWay job={job} lift={lift} arcC={arcC} />
      {job.cut.freeMm < 3 ? <ModeChoice job={job} /> : null}
      <LiftLinks job={job} />
      <RingWhy job={job} settings={settings} ring={ring} facts={facts} />
    </>
  );
}

/** Why the ring is cut so, and what else. */
function RingWhy({
  job,
  settings,
  ring: { lift },
  facts,
}: Pick<RingBelowProps, 'job' | 'settings' | 'ring' | 'facts'>) {
  const units = settings;
  const { arcC, verdict, state } = facts;
  return (
    <Why
      job={job}
      call="lift"
      inputs={{ arcC: arcC.mean, pickMm: lift.pickMm, flawUm: lift.case.flawUm, keepCover: job.keepCover }}
      computed={{
        verdict,
        easyC: lift.easyC,
        workC: lift.workC,
        margin: state.margin,
        breakChance: state.breakChance,
      }}
      notes={[
        `Now ${verdict}: at ${temp(arcC.mean, units)} the bond needs ${Math.round(state.gcJm2)} J/m², it opens ${length(state.opening.aheadMm, units)} ahead of the pick, glass stress ${Math.round(state.stressMPa)} of ${Math.round(state.designMPa)} MPa allowed (margin ${state.margin.toFixed(2)}).`,
        `Chance of breaking over the whole ring ${percent(state.breakChance)}; the shop accepts ${percent(settings.breakLimit)}. Numerical estimate, looks optimistic: no twisting, no hidden chips.`,
        job.keepCover
          ? 'The cover is to be saved, so stress and chance decide too.'
          : 'The cover is written off: only the bond decides, the glass may break further.',
        'A thicker pick needs less heat and breaks more glass; heat and pick are compared on the Heat stage.',
      ]}
      rows={[
        rowOf('Speed of the pick', cutSpeed, 'mm/s'),
        rowOf('Past the ring', overMm, 'mm'),
        rowOf('Edge flaw of an unbroken edge', lift.case.cover.flawUm, 'µm'),
        rowOf('Adhesive scale', lift.case.adhesive.debond.scale, ''),
      ]}
    />
  );
}
