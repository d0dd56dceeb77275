import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { learnFigures } from '@/core/functions/learn';
import type { FunctionResult } from '@/core/functions/riskOrder';
import { testCautions } from '@/core/functions/tables';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { functionState, shopFaults } from '@/work/check/faults';
import { FunctionList, whyNotTested } from '@/bench-kit/FunctionList';
import { stepNames, testsOf } from '@/work/check/functionTests';
import { JobPage } from '@/bench-kit/JobPage';
import { stageHref } from '@/bench-kit/stageHref';
import { rowOf, Why } from '@/bench-kit/Why';
import { useJobs } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { capital } from '@/words/capital';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { FaultCard } from './FaultCard';
import { OnDevice } from './OnDevice';
import { SignOff } from './SignOff';

/** One function after another with one thumb, those first that this repair put at risk. */
export function FunctionsScreen({ job, again = false }: { job: JobState; again?: boolean }) {
  const now = useNow(30_000);
  const router = useRouter();
  const { log, undo } = useActions(job);
  const jobs = useJobs();
  const tests = useMemo(() => testsOf(job, false, shopFaults(jobs).tables), [job, jobs]);
  const results = job.functions.after;
  // those that failed when the page was opened to try them again
  const [todo] = useState(() =>
    again ? tests.filter((t) => results[t.test.id] === 'fail').map((t) => t.test.id) : null,
  );
  const [repeated, setRepeated] = useState<readonly string[]>([]);
  const [asking, setAsking] = useState<string | null>(null);
  const [past, setPast] = useState<readonly { fn: string; eventId: string }[]>([]);
  const queue = todo ? tests.filter((t) => todo.includes(t.test.id)) : tests;
  const current = queue.find((t) => (todo ? !repeated.includes(t.test.id) : !results[t.test.id])) ?? null;
  const done = todo ? repeated.length : queue.filter((t) => results[t.test.id]).length;
  const state = functionState(job);
  const whole = tests.every((t) => results[t.test.id]);
  const put = async (result: FunctionResult, why?: string) => {
    if (!current) return;
    const fn = current.test.id;
    setAsking(null);
    if (todo) setRepeated((r) => [...r, fn]);
    const [made] = await log([{ type: 'function', fn, phase: 'after', result, ...(why ? { why } : {}) }]);
    if (made) setPast((l) => [...l, { fn, eventId: made.id }]);
  };
  const back = () => {
    const one = past.at(-1);
    if (!one) return;
    setPast(past.slice(0, -1));
    undo(one.eventId);
    setRepeated((r) => r.filter((x) => x !== one.fn));
  };
  const faults = state.newFaults.length + state.unclear.length;
  const text = current
    ? {
        sentence: `${capital(current.test.name)}.`,
        reason: `${capital(current.test.how)}.`,
      }
    : faults
      ? {
          sentence: `${faults} ${faults === 1 ? 'function fails' : 'functions fail'}.`,
          reason: 'The likely causes stand below, cheapest check first.',
        }
      : whole
        ? {
            sentence: 'All of them tested.',
            reason: state.checker ? `Signed by ${state.checker}.` : 'Now a second person signs.',
          }
        : { sentence: 'Tested again.', reason: 'The rest is untouched.' };
  return (
    <JobPage
      job={job}
      title="Functions"
      now={now}
      stage="check"
      lead={
        <View>
          <Call {...text} tone={!current && faults ? 'caution' : 'ink'} />
          <View className="flex-row justify-between mt-2 items-center min-h-[44px]">
            <Txt num>
              {done} of {queue.length}
            </Txt>
            {done ? <Button kind="small" label="One back" onPress={back} disabled={!past.length} /> : null}
          </View>
          <View className="h-[8px] bg-rule">
            <View className="h-[8px] bg-ink" style={{ width: `${(100 * done) / Math.max(1, queue.length)}%` }} />
          </View>
          {current ? (
            <Txt size="s" tone="ink2" className="mt-2">
              {current.mostly ? `Put at risk by ${stepNames[current.mostly]}. ` : 'Hardly put at risk by this repair. '}
              {job.functions.before[current.test.id] === 'fail'
                ? 'Failed before the repair.'
                : job.functions.before[current.test.id] === 'ok'
                  ? 'Worked before.'
                  : 'Not tested before.'}
            </Txt>
          ) : null}
          {current && testCautions[current.test.id] ? (
            <Txt size="s" className="mt-2" testID="caution">
              {testCautions[current.test.id]}
            </Txt>
          ) : null}
          {current && asking === current.test.id ? (
            <View className="flex-row flex-wrap gap-2 mt-2">
              {whyNotTested.map((r) => (
                <Button key={r} kind="small" label={`Because: ${r}`} onPress={() => void put('untested', r)} />
              ))}
            </View>
          ) : null}
        </View>
      }
      main={
        current ? (
          <View className="gap-2">
            <Button
              label="Not testable"
              kind="small"
              onPress={() => setAsking(asking === current.test.id ? null : current.test.id)}
            />
            <View className="flex-row gap-3">
              <View className="flex-1">
                <Button key={`${current.test.id}-fails`} label="Fails" onPress={() => void put('fail')} />
              </View>
              <View className="flex-[2]">
                <Button key={`${current.test.id}-works`} kind="main" label="Works" onPress={() => void put('ok')} />
              </View>
            </View>
          </View>
        ) : (
          <Button
            key="back"
            kind="main"
            label="Back to check"
            onPress={() => router.replace(stageHref(job.id, 'check'))}
          />
        )
      }
    >
      {current ? null : <FaultCard job={job} />}
      {whole ? <SignOff job={job} complete={whole} /> : null}
      <Disclosure title="On the device itself">
        <OnDevice job={job} />
      </Disclosure>
      <Disclosure title={`All ${tests.length}`}>
        <FunctionList job={job} phase="after" short={false} />
      </Disclosure>
      <Why
        job={job}
        call="check"
        inputs={{ before: job.functions.before, after: job.functions.after }}
        computed={{ changes: state.changes, release: state.release.open }}
        notes={[
          'Tests stand in the order in which they find most per minute: chance that a step of this repair set a cause, times the chance that the function then fails (noisy-or, Pearl 1988).',
          'Causes: every single one and every pair is weighed against all results (Bayes). The table is judgement; what the shop finds moves it, and only then are numbers shown.',
        ]}
        rows={[
          rowOf('A figure of the table counts as', learnFigures.casesOfTable, 'cases'),
          rowOf('A step’s figure counts as', learnFigures.jobsOfTable, 'jobs'),
          rowOf('Numbers are shown from', learnFigures.showFrom, 'found causes'),
        ]}
      />
    </JobPage>
  );
}
