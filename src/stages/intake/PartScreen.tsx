import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { JobPage } from '@/bench-kit/JobPage';
import { withFace } from '@/bench-kit/withFace';
import { hrefAt } from '@/bench-kit/stageHref';
import { useNow } from '@/bench-kit/useNow';
import { workDefs, worksAt } from '@/core/intake/works';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import { routeAgain } from '@/work/intake/routeAgain';
import { IntoStock } from './IntoStock';
import { useIntoStock } from './useIntoStock';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { capital } from '@/words/capital';
import { said } from '@/words/codes';
import { t } from '@/words/intake';
import { MustMove, NewPartHas, SideBySide } from './RouteDetailsParts';
import { useRouteDetails } from './useRouteDetails';

/** The new part beside the old one before anything is opened: a wrong one costs nothing yet. */
export function PartScreen({ job }: { job: JobState }) {
  const now = useNow(60_000);
  return job.route?.origin ? (
    <Part job={job} route={job.route} now={now} />
  ) : (
    <JobPage job={job} title={withFace(job, t('newPart'))} now={now} stage="intake" main={<ToRoute job={job} />}>
      <Txt>{t('noNewPartOnThisRoute')}</Txt>
    </JobPage>
  );
}

function ToRoute({ job }: { job: JobState }) {
  const router = useRouter();
  return <Button kind="main" label={t('route')} onPress={() => router.replace(`/jobs/${job.id}/route` as Href)} />;
}

/** What the page says of the part so far. */
function partCall({ partCheck }: Pick<JobState, 'partCheck'>, hole: 'yes' | 'no' | null, works: string | null) {
  if (hole === 'no' || works === 'no')
    return { sentence: t('notTheRightPart'), reason: t('doNotOpenTheDevice'), tone: 'caution' as const };
  if (partCheck)
    return partCheck.right
      ? { sentence: t('partIsTheRightOne'), reason: t('goOnToHeat'), tone: 'ink' as const }
      : { sentence: t('notTheRightPart'), reason: t('doNotOpenTheDevice'), tone: 'caution' as const };
  return { sentence: t('layItBesideTheOldOne'), reason: t('sizeHolesAndWhatIsOnIt'), tone: 'ink' as const };
}

function Part({ job, route, now }: { job: JobState; route: NonNullable<JobState['route']>; now: number }) {
  const router = useRouter();
  const { log } = useActions(job);
  const [holes, setHoles] = useState<'yes' | 'no' | null>(job.partCheck?.holes ?? null);
  const [works, setWorks] = useState<EventOf<'partChecked'>['works'] | null>(job.partCheck?.works ?? null);
  const plugs = worksAt(route).some((w) => workDefs[w].plugs);
  const here = useRouteDetails({
    job,
    work: route.work,
    onRoute: (change) => void log([routeAgain(route, change)]),
    onEvents: (e) => void log(e),
  });
  const back = () => router.replace(hrefAt(job, 'intake'));
  const missing = holes === null ? t('holesFirst') : plugs && works === null ? t('tryItFirst') : null;
  const wrong = holes === 'no' || works === 'no';
  const shelf = useIntoStock(job);
  const right = () => {
    shelf.put();
    void log([
      { type: 'partChecked', holes: holes ?? 'yes', works: works ?? 'notTried', right: true },
      { type: 'prep', item: 'compared', done: true },
    ]);
    back();
  };
  return (
    <JobPage
      job={job}
      title={withFace(job, t('newPart'))}
      now={now}
      stage="intake"
      side={
        <Button
          label={t('wrongPart')}
          onPress={() => router.push(`/jobs/${job.id}/happened?from=intake&what=wrongPart` as Href)}
        />
      }
      main={
        <Button
          kind="main"
          label={t('itIsTheRightOne')}
          onPress={right}
          disabled={missing !== null || wrong}
          {...(missing !== null ? { why: missing } : wrong ? { why: t('wrongPart') } : {})}
        />
      }
    >
      <Call {...partCall(job, holes, works)} />
      <View className="mt-3" />
      <Choice
        label={t('everyHoleWhereItBelongs')}
        value={holes}
        options={[
          { id: 'yes', name: capital(said('yes')) },
          { id: 'no', name: capital(said('no')) },
        ]}
        onChange={setHoles}
      />
      {plugs ? (
        <Choice
          label={t('pluggedInDoesItWork')}
          value={works}
          options={[
            { id: 'yes', name: capital(said('yes')) },
            { id: 'no', name: capital(said('no')) },
            { id: 'notTried', name: t('cannotBeTried') },
          ]}
          onChange={setWorks}
          hint={t('onlyAsFarAsItsPlugReaches')}
        />
      ) : null}
      <NewPartHas here={here} />
      <MustMove here={here} />
      <SideBySide here={here} />
      <IntoStock here={shelf} />
    </JobPage>
  );
}
