import { View } from 'react-native';

import { learnFigures } from '@/core/functions/learn';
import { whyNotTested } from '@/bench-kit/FunctionList';
import { stepNames } from '@/words/checkNames';
import { goTo } from '@/bench-kit/goTo';
import { hrefAt } from '@/bench-kit/stageHref';
import { useFinishCheck } from './useFinishCheck';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Txt } from '@/ui/Txt';
import type { FunctionsScreenState } from './useFunctionsScreen';
import { t } from '@/words/check';
import { functionCaution } from '@/words/functions';

/** The function that is tested now. */
export function FunctionLead({
  here: { text, current, group, faults, done, queue, back, past, job, asking, put },
}: {
  here: FunctionsScreenState;
}) {
  return (
    <View>
      <Call {...text} tone={!current && faults ? 'caution' : 'ink'} />
      <View className="flex-row justify-between mt-2 items-center min-h-touch">
        <Txt num>{t('of', { done, n: queue.length })}</Txt>
        {done ? <Button kind="small" label={t('oneBack')} onPress={back} disabled={!past.length} /> : null}
      </View>
      <View className="h-[8px] bg-rule">
        <View className="h-[8px] bg-ink" style={{ width: `${(100 * done) / Math.max(1, queue.length)}%` }} />
      </View>
      {current && !group ? (
        <Txt size="s" tone="ink2" className="mt-2">
          {current.mostly
            ? job.functions.before[current.test.id] === 'fail'
              ? t('putAtRiskByFailedBefore', { mostly: stepNames[current.mostly] })
              : job.functions.before[current.test.id] === 'ok'
                ? t('putAtRiskByWorkedBefore', { mostly: stepNames[current.mostly] })
                : t('putAtRiskByNotTested', { mostly: stepNames[current.mostly] })
            : job.functions.before[current.test.id] === 'fail'
              ? t('hardlyPutAtRiskByThis')
              : job.functions.before[current.test.id] === 'ok'
                ? t('hardlyPutAtRiskByThis2')
                : t('hardlyPutAtRiskByThis3')}
        </Txt>
      ) : null}
      {group ? (
        <Txt size="s" tone="ink2" className="mt-2">
          {t('hardlyAtRiskTogether')}
        </Txt>
      ) : null}
      {group
        ? group.tests.flatMap((x) =>
            functionCaution(x.test.id)
              ? [
                  <Txt key={x.test.id} size="s" className="mt-2" testID="caution">
                    {functionCaution(x.test.id)}
                  </Txt>,
                ]
              : [],
          )
        : null}
      {current && !group && functionCaution(current.test.id) ? (
        <Txt size="s" className="mt-2" testID="caution">
          {functionCaution(current.test.id)}
        </Txt>
      ) : null}
      {current && asking === current.test.id ? (
        <View className="flex-row flex-wrap gap-2 mt-2">
          {whyNotTested().map((r) => (
            <Button key={r} kind="small" label={t('why', { r })} onPress={() => void put('untested', r)} />
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** Works, or not. */
export function FunctionMain({
  here: { current, group, allWork, oneByOne, setAsking, asking, put, router, job },
}: {
  here: FunctionsScreenState;
}) {
  if (group)
    return (
      <View className="flex-row gap-3">
        <View className="flex-1">
          <Button key={`${group.id}-not`} label={t('notAllOfThem')} onPress={oneByOne} />
        </View>
        <View className="flex-[2]">
          <Button key={`${group.id}-all`} kind="main" label={t('allWork')} onPress={() => void allWork()} />
        </View>
      </View>
    );
  return current ? (
    <View className="gap-2">
      <Button
        label={t('cannotBeTested')}
        kind="small"
        onPress={() => setAsking(asking === current.test.id ? null : current.test.id)}
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <Button key={`${current.test.id}-fails`} label={t('fails')} onPress={() => void put('fail')} />
        </View>
        <View className="flex-[2]">
          <Button key={`${current.test.id}-works`} kind="main" label={t('works')} onPress={() => void put('ok')} />
        </View>
      </View>
    </View>
  ) : (
    <AllTested job={job} onBack={() => router.replace(hrefAt(job, 'check'))} />
  );
}

/** Nothing is left to try: on to what comes next, or back to what the check still waits for. */
function AllTested({ job, onBack }: { job: FunctionsScreenState['job']; onBack: () => void }) {
  const { fine, finish, signatureOnly } = useFinishCheck(job);
  return fine || signatureOnly ? (
    <Button
      key="on"
      kind="main"
      label={goTo(job, 'check')}
      onPress={finish}
      disabled={!fine}
      {...(signatureOnly ? { why: signatureOnly } : {})}
    />
  ) : (
    <Button key="back" kind="main" label={t('backToCheck')} onPress={onBack} />
  );
}

/** Why in this order. */
export function FunctionsWhy({ here: { job, state } }: { here: FunctionsScreenState }) {
  return (
    <Why
      job={job}
      call="check"
      inputs={{ before: job.functions.before, after: job.functions.after }}
      computed={{ changes: state.changes, release: state.release.open }}
      notes={[t('testsComeInTheOrderIn'), t('causesEverySingleOneAndEvery')]}
      rows={[
        rowOf(t('aFigureOfTheTableCounts'), learnFigures.casesOfTable, 'cases'),
        rowOf(t('aStepsFigureCountsAs'), learnFigures.jobsOfTable, 'jobs'),
        rowOf(t('numbersAreShownFrom'), learnFigures.showFrom, t('causesFound')),
      ]}
    />
  );
}
