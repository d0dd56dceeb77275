import { GuessedInside } from '@/bench-kit/FirstLook';
import { View } from 'react-native';

import { overMm } from '@/core/lift/depth';
import { cutSpeed, sticksAgainC } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { edgeName } from '@/words/placeNames';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { capital } from '@/words/capital';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { listed, digits, clock, length, percent, temp } from '@/words/units';
import { EdgeNow } from './EdgeNow';
import { GaveWay } from './GaveWay';
import { LiftLinks } from './LiftLinks';
import { ModeChoice } from './ModeChoice';
import type { RingFacts } from './ringFacts';
import { SavePanel } from './SavePanel';
import type { RingNow } from './useRing';
import type { RingActions } from './useRingActions';
import { reasonWords } from './words';
import { t } from '@/words/lift';

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
          label={t('aFingerAlongTheEdge')}
          value={finger}
          options={[
            { id: 'cut', name: t('isCut') },
            { id: 'grip', name: t('stuckAgain') },
            { id: 'look', name: t('justLooks2') },
          ]}
          onChange={onFinger}
        />
      )}
      {job.calledAway ? (
        <Txt size="s" className="mt-1">
          {look
            ? t('calledAwayTheGlueIsAt', {
                mean: temp(arcC.mean, units),
                max: clock(Math.max(0, look.gripsAtS - nowS)),
              })
            : t('calledAwayTheGlueIsAt2', { mean: temp(arcC.mean, units) })}
        </Txt>
      ) : null}
      {verdict === 'reheat' && rest && rest.rests > 0 ? (
        <Txt size="s" className="mt-1">
          {t('letItRestBeforeTheNext')}
        </Txt>
      ) : null}
      {job.freeEdges.size ? (
        <View className="mt-2" testID="stuck">
          <Txt size="s">{t('leaveAPickInPutDown', { adhesive: temp(sticksAgainC(lift.case.adhesive), units) })}</Txt>
          <View className="flex-row flex-wrap gap-2 mt-1">
            {[...job.freeEdges].map((edge) => (
              <Button
                key={edge}
                kind="small"
                label={t('stuckAgain2', { edge: capital(edgeName(edge)) })}
                onPress={() => act.stuckAgain(edge)}
              />
            ))}
          </View>
        </View>
      ) : null}
      {lift.alcohol ? (
        <Txt size="s" className="mt-1">
          {t('alcoholInThisEdgeItOpens', { lowersK: Math.round(lift.alcohol.lowersK) })}
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
      <GuessedInside device={job.device} />
      <Disclosure title={t('edgesOrderDepthDone')}>
        {lift.steps.map((s, i) => {
          const w = windows.find((x) => x.edge === s.edge)!;
          return (
            <Tick
              key={s.edge}
              label={t('isFree', { i: i + 1, edge: edgeName(s.edge) })}
              on={job.freeEdges.has(s.edge)}
              note={
                w.limitMm >= 30
                  ? w.closed.length
                    ? t('deepNothingNearNotAtCreep', {
                        needMm: length(w.needMm, units),
                        list: listed(w.closed.map((c) => c.by.name)),
                        list2: listed(s.reasons.map((r) => reasonWords[r])),
                      })
                    : t('deepNothingNearCreepUpTo', {
                        needMm: length(w.needMm, units),
                        list: listed(s.reasons.map((r) => reasonWords[r])),
                      })
                  : w.closed.length
                    ? t('toNotAtCreepUpTo', {
                        needMm: length(w.needMm, units),
                        limitMm: length(w.limitMm, units),
                        name: w.limitedBy?.name,
                        list: listed(w.closed.map((c) => c.by.name)),
                        list2: listed(s.reasons.map((r) => reasonWords[r])),
                      })
                    : t('toCreepUpToTheCorners', {
                        needMm: length(w.needMm, units),
                        limitMm: length(w.limitMm, units),
                        name: w.limitedBy?.name,
                        list: listed(s.reasons.map((r) => reasonWords[r])),
                      })
              }
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

const verdictWords: Record<RingFacts['verdict'], string> = {
  get go() {
    return t('verdictGo');
  },
  get slow() {
    return t('verdictSlow');
  },
  get reheat() {
    return t('verdictReheat');
  },
  get stop() {
    return t('verdictStop');
  },
};

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
        t('nowAtTheGlueNeedsJ', {
          verdict: verdictWords[verdict],
          mean: temp(arcC.mean, units),
          gcJm2: Math.round(state.gcJm2),
          aheadMm: length(state.opening.aheadMm, units),
          stressMPa: Math.round(state.stressMPa),
          designMPa: Math.round(state.designMPa),
          figure: digits(state.margin, 2),
        }),
        t('chanceOfBreakingOverTheWhole', {
          breakChance: percent(state.breakChance),
          breakLimit: percent(settings.breakLimit),
        }),
        job.keepCover ? t('youWantToSaveThisBack') : t('theBackIsWrittenOffOnly'),
        t('aThickerPickNeedsLessHeat'),
      ]}
      rows={[
        rowOf(t('speedOfThePick'), cutSpeed, 'mm/s'),
        rowOf(t('pastTheRing'), overMm, 'mm'),
        rowOf(t('edgeFlawOfAnUnbrokenEdge'), lift.case.cover.flawUm, 'µm'),
        rowOf(t('scaleOfTheGlue'), lift.case.adhesive.debond.scale, ''),
      ]}
    />
  );
}
