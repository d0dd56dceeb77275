import { useRouter, type Href } from 'expo-router';
import { Suspense, useState } from 'react';
import { View } from 'react-native';

import { useRoom } from '@/bench-kit/pageRoom';
import { Beside } from '@/bench-kit/Beside';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { startPractice } from '@/bench-kit/practice/LazyStart';
import { wrightAt, wrightFit, wrightRange } from '@/core/statistics/learning';
import { guessError } from '@/work/practice/guessError';
import { jointOf } from '@/core/device/jointKinds';
import { coverKindOf } from '@/core/device/coverKinds';
import type { Try } from '@/model/practiceTry';
import { practiceWays, type PracticeWay } from '@/model/practiceWay';
import type { JobState } from '@/model/fold';
import { shippedDevices } from '@/model/shippedDevices';
import { usePracticeRun } from '@/store/practice';
import { useTries } from '@/store/practiceTries';
import { saveSettings, useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Plot } from '@/ui/chart/LazyPlot';
import { DeviceThumb } from '@/ui/plan/DeviceThumb';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { exerciseName } from '@/words/exerciseNames';
import { t } from '@/words/practice';
import { digits } from '@/words/units';
import { deviceOf, isExercise, pageOf, exerciseIds, type ExerciseId } from '@/work/practice/exerciseTable';

const about = {
  heat: 'aboutHeat',
  depth: 'aboutDepth',
  reheat: 'aboutReheat',
  corners: 'aboutCorners',
  camera: 'aboutCamera',
  pieces: 'aboutPieces',
  lens: 'aboutLens',
  stubborn: 'aboutStubborn',
  residue: 'aboutResidue',
  bead: 'aboutBead',
  clamps: 'aboutClamps',
  two: 'aboutTwo',
} as const;
const plain = exerciseIds.filter((id): id is keyof typeof about => id !== 'today');
const ways = { guided: 'wayGuided', checked: 'wayChecked', alone: 'wayAlone' } as const satisfies Record<
  PracticeWay,
  string
>;

/** A job that comes to its heat today, on a ring that is all there is. */
const practisable = (j: JobState): boolean =>
  j.closedAt === null &&
  (j.stage === 'intake' || j.stage === 'heat') &&
  !jointOf(j.bond).wholeFace &&
  !coverKindOf(j.face).lens &&
  j.heat.length === 0;

/** Made-up phones to break, one skill each, and who has done what. */
export function PracticeScreen() {
  const router = useRouter();
  const settings = useSettings();
  const jobs = useJobs();
  const open = usePracticeRun();
  const tries = useTries();
  const [way, setWay] = useState<PracticeWay>('guided');
  const [seed, setSeed] = useState<number>(1);
  const begin = async (exercise: ExerciseId, job?: JobState) =>
    router.push((await startPractice({ exercise, seed, way, person: settings.person, settings, job })) as Href);
  return (
    <PlaceFrame full help="practice" title={t('practice')} line={t('practiceLine')}>
      {open && isExercise(open.exercise) ? (
        <View className="mb-3">
          <Button
            kind="main"
            label={t('goOn', { name: exerciseName(open.exercise) })}
            onPress={() => router.push(`/jobs/${open.id}/${pageOf(open.exercise)}` as Href)}
          />
        </View>
      ) : null}
      <Beside
        left={
          <>
            <Choice
              label={t('howItIsTold')}
              value={way}
              options={practiceWays.map((id) => ({ id, name: t(ways[id]) }))}
              onChange={setWay}
            />
            <NumberField
              label={t('seedNumber')}
              unit=""
              low={1}
              high={9999}
              value={seed}
              onCommit={(v) => setSeed(Math.round(v))}
              hint={t('seedHint')}
            />
            <View role="list" aria-label={t('exercises')}>
              {plain.map((id, i) => {
                const device = shippedDevices.find((d) => d.id === deviceOf(id))!;
                const own = tries.filter((x) => x.exercise === id && x.person === settings.person);
                return (
                  <View key={id} role="listitem" className="flex-row items-center gap-3 border-b border-rule py-2">
                    <DeviceThumb device={device} />
                    <View className="flex-1">
                      <Txt strong>{`${i + 1} · ${exerciseName(id)}`}</Txt>
                      <Txt size="s" tone="ink2">
                        {t(about[id])}
                      </Txt>
                      {own.length ? (
                        <Txt size="s" tone="go">
                          {t('triesOf', {
                            person: settings.person,
                            name: exerciseName(id),
                            passed: passedOf(own),
                            tries: own.length,
                          })}
                        </Txt>
                      ) : null}
                    </View>
                    <Button
                      kind="small"
                      label={t('practiseIt')}
                      say={t('begin', { name: exerciseName(id) })}
                      onPress={() => void begin(id)}
                    />
                  </View>
                );
              })}
            </View>
          </>
        }
        right={
          <>
            <Txt strong size="l" level={2} className="mt-4">
              {t('skillToday')}
            </Txt>
            {jobs
              .filter(practisable)
              .slice(0, 5)
              .map((j) => (
                <View key={j.id} className="flex-row items-center gap-3 border-b border-rule py-2">
                  <DeviceThumb device={j.device} face={j.face} cracks={j.cracks.values()} />
                  <Txt size="s" className="flex-1">
                    {t('aboutToday', { label: j.label })}
                  </Txt>
                  <Button
                    kind="small"
                    label={t('practiseIt')}
                    say={t('todayOf', { label: j.label })}
                    onPress={() => void begin('today', j)}
                  />
                </View>
              ))}
            {jobs.some(practisable) ? null : <Txt tone="ink2">{t('noJobAtHeat')}</Txt>}
            <Record tries={tries} />
            <Choice
              label={t('asksFirst')}
              value={settings.asksExercise}
              options={[{ id: '', name: t('asksNothing') }, ...plain.map((id) => ({ id, name: exerciseName(id) }))]}
              onChange={(asksExercise) => void saveSettings({ ...settings, asksExercise })}
            />
          </>
        }
      />
    </PlaceFrame>
  );
}

const passedOf = (list: readonly Try[]) => list.filter((x) => x.ended === 'passed').length;

/** Who has done what, and how the minutes of one try after the other went. */
function Record({ tries }: { tries: readonly Try[] }) {
  const room = useRoom(useWide() ? 2 : 1);
  const people = [...new Set(tries.map((x) => x.person))].sort();
  return (
    <>
      <Txt strong size="l" level={2} className="mt-4">
        {t('whoHasDone')}
      </Txt>
      {tries.length ? null : <Txt tone="ink2">{t('nobodyYet')}</Txt>}
      {people.flatMap((person) =>
        exerciseIds.flatMap((id) => {
          const own = tries.filter((x) => x.person === person && x.exercise === id);
          const done = own.filter((x) => x.ended === 'passed').map((x) => x.minutes);
          return own.length
            ? [
                <View key={`${person} ${id}`} className="border-b border-rule py-2">
                  <Txt>
                    {t('triesOf', { person, name: exerciseName(id), passed: passedOf(own), tries: own.length })}
                  </Txt>
                  <Guesses of={own.flatMap((x) => x.guessK)} />
                  {done.length > 2 ? <Minutes of={done} width={room} /> : null}
                </View>,
              ]
            : [];
        }),
      )}
    </>
  );
}

/** Minutes of one try after the other, and where the curve through them lies. */
function Minutes({ of: done, width }: { of: readonly number[]; width: number }) {
  const curve = wrightFit(done);
  const at = done.map((_, i) => i + 1);
  const range = at.map((n) => wrightRange(curve, n));
  const band = range.every((r) => r !== null)
    ? { low: range.map((r) => r!.low), high: range.map((r) => r!.high) }
    : null;
  return (
    <Suspense fallback={<View style={{ height: 160 }} />}>
      <Plot
        label={t('minutesOfTries', { list: done.map((m) => digits(m, 1)).join(', ') })}
        width={width}
        height={150}
        x={{ at, kind: 'number', name: t('tryNumber'), text: (n) => digits(n) }}
        y={{ name: t('minutesWord'), text: (v) => digits(v), from: 0 }}
        lines={[
          { id: 'curve', name: t('curveOfTries'), y: at.map((n) => wrightAt(curve, n)), ...(band ? { band } : {}) },
          { id: 'm', name: t('eachTry'), y: done, tone: 'go', dots: true },
        ]}
      />
    </Suspense>
  );
}

/** How far off what somebody said of the line was. */
function Guesses({ of: list }: { of: readonly number[] }) {
  const g = guessError(list);
  return g ? (
    <Txt size="s" tone="ink2">
      {t('guessesOff', { mean: digits(g.meanK), spread: digits(g.spreadK), count: g.n })}
    </Txt>
  ) : null;
}
