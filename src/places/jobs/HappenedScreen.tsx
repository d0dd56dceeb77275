import { Pressable, View } from 'react-native';

import { JobPage } from '@/bench-kit/JobPage';
import { happenings, screwPlaces, type Happening } from '@/model/entries/job';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { whatBroke } from '@/work/happened';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { capital } from '@/words/capital';
import { findingNames } from '@/words/eventLine';
import { t } from '@/words/happened';
import { happeningHint, happeningName, screwPlaceName } from '@/words/happenedNames';
import { edgeName } from '@/words/placeNames';
import { stageName } from '@/words/stageWords';
import { useHappened, type HappenedState } from './useHappened';

/** One page for whatever comes in between, from any step: a tap or two, then back to where the hands were. */
export function HappenedScreen({ job, stage, first }: { job: JobState; stage: StageId; first: Happening | null }) {
  const here = useHappened(job, stage, first);
  return (
    <JobPage
      job={job}
      title={t('somethingHappened')}
      now={here.now}
      stage={stage}
      main={<Button kind="main" label={t('backTo', { stage: stageName(stage) })} onPress={here.back} />}
    >
      {here.noRoom ? (
        <Txt role="alert" tone="caution">
          {t('absenceNotNoted')}
        </Txt>
      ) : null}
      {here.noted ? <Followed here={here} /> : <Which here={here} />}
    </JobPage>
  );
}

/** The nine things, and what is asked of the one that was tapped. */
function Which({ here }: { here: HappenedState }) {
  const { what, setWhat, note } = here;
  const tap = (id: Happening) => {
    if (asks(here, id)) setWhat(what === id ? null : id);
    else void note(id, {});
  };
  return (
    <View className="mt-2 flex-row flex-wrap justify-between gap-y-2" role="list" aria-label={t('whatHappened')}>
      {happenings.map((id) => (
        <View key={id} role="listitem" className="w-full lg:w-[49%]">
          <Pressable
            role="button"
            aria-label={happeningName(id)}
            aria-expanded={what === id}
            onPress={() => tap(id)}
            className={`min-h-line px-3 py-2 justify-center rounded-card border-[1.5px] ${what === id ? 'border-ink bg-panel' : 'border-ink2'}`}
          >
            <Txt strong>{happeningName(id)}</Txt>
            <Txt size="s" tone="ink2">
              {happeningHint(id)}
            </Txt>
          </Pressable>
          {what === id ? (
            <View className="pl-3 pt-2">
              <Asked here={here} id={id} />
            </View>
          ) : null}
        </View>
      ))}
    </View>
  );
}

/** Something more has to be said before it can be noted. */
function asks({ job, stage }: HappenedState, id: Happening): boolean {
  if (id === 'broke') return whatBroke(job, stage) === 'newCover';
  // nothing is free yet: what grips is the edge that is worked at
  if (id === 'stuckAgain') return job.freeEdges.size > 0;
  return id !== 'changedMind';
}

const edges = ['bottom', 'left', 'top', 'right'] as const;
const found = ['bent', 'earlierRepair', 'screwMissing', 'smokeOrWet', 'paintGone', 'cellSwollen'] as const;

/** The one more tap. */
function Asked({ here, id }: { here: HappenedState; id: Happening }) {
  const { job, note, away } = here;
  if (id === 'stuckAgain')
    return (
      <Choice
        label={t('whichEdge')}
        value={null}
        options={[...job.freeEdges].map((e) => ({ id: e, name: edgeName(e) }))}
        onChange={(edge) => void note(id, { edge })}
      />
    );
  if (id === 'givesHere')
    return (
      <Choice
        label={t('whichEdge')}
        value={null}
        options={edges.map((e) => ({ id: e, name: edgeName(e) }))}
        onChange={(edge) => void note(id, { edge })}
      />
    );
  if (id === 'screw')
    return (
      <Choice
        label={t('whereWasIt')}
        value={null}
        options={screwPlaces.map((w) => ({ id: w, name: screwPlaceName(w) }))}
        onChange={(where) => void note(id, { where })}
      />
    );
  if (id === 'foundDamage')
    return (
      <Choice
        label={t('whatIsIt')}
        value={null}
        options={found.map((k) => ({ id: k, name: capital(findingNames[k]) }))}
        onChange={(finding) => void note(id, { finding })}
      />
    );
  if (id === 'damaged') {
    const parts = [...job.model.cables, ...job.model.parts.filter((p) => p.kind !== 'rim')];
    return (
      <Choice
        label={t('whichOne')}
        value={null}
        options={parts.map((p) => ({ id: p.id, name: p.name }))}
        onChange={(partId) => void note(id, { part: parts.find((p) => p.id === partId)! })}
      />
    );
  }
  if (id === 'calledAway')
    return (
      <View className="flex-row gap-2">
        {[10, 30, 60].map((m) => (
          <View key={m} className="flex-1">
            <Button kind="small" label={t('awayMin', { m })} onPress={() => away(m)} />
          </View>
        ))}
      </View>
    );
  return (
    <Choice
      label={t('whenDoesTheNextCome')}
      value={null}
      options={[
        { id: '1', name: t('tomorrow') },
        ...[2, 3, 7].map((days) => ({ id: String(days), name: t('inDays', { days }) })),
        { id: '', name: t('notKnown') },
      ]}
      onChange={(days) => void note(id, { days: days ? Number(days) : null })}
    />
  );
}

/** What follows: for the hands, for the customer, and what the customer said. */
function Followed({ here }: { here: HappenedState }) {
  const { noted, toHands, toCustomer, bound, answerOf, customer, toRoute, toHeat } = here;
  return (
    <View className="mt-2">
      <Call sentence={happeningName(noted!.what)} reason={toHands ?? ''} tone="ink" />
      {noted!.what === 'changedMind' ? <Button kind="small" label={t('openTheRoute')} onPress={toRoute} /> : null}
      {noted!.what === 'stuckAgain' ? <Button kind="small" label={t('toHeat')} onPress={toHeat} /> : null}
      {toCustomer === null ? null : (
        <View className="mt-3 border-[1.5px] border-ink2 rounded-card p-3 bg-panel">
          <Txt size="s" tone="ink2">
            {t('sayToTheCustomer')}
          </Txt>
          <Txt testID="toCustomer" className="my-1">
            {toCustomer}
          </Txt>
          {bound ? (
            <Txt size="s" strong tone={bound.within ? 'ink' : 'caution'}>
              {bound.within ? t('withinTheLimit', { limit: bound.limit }) : t('overTheLimit', { limit: bound.limit })}
            </Txt>
          ) : null}
          <View className="flex-row flex-wrap gap-2 mt-2" role="radiogroup" aria-label={t('sayToTheCustomer')}>
            {(
              [
                ['agreed', t('customerAgrees')],
                ['refused', t('customerRefuses')],
                ['notReached', t('customerNotReached')],
              ] as const
            ).map(([id, name]) => (
              <Pressable
                key={id}
                role="radio"
                aria-checked={answerOf === id}
                aria-label={name}
                onPress={() => customer(id)}
                className={`min-h-touch px-3 justify-center rounded-card border-[1.5px] ${answerOf === id ? 'bg-ink border-ink' : 'bg-paper border-ink2'}`}
              >
                <Txt strong={answerOf === id} tone={answerOf === id ? 'onInk' : 'ink'}>
                  {name}
                </Txt>
              </Pressable>
            ))}
          </View>
          {answerOf === 'refused' ? (
            <View className="mt-2 self-start">
              <Button kind="small" label={t('openTheRoute')} onPress={toRoute} />
            </View>
          ) : null}
        </View>
      )}
    </View>
  );
}
